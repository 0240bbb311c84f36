import type { GaugeLink } from './gauge-link.ts';
import { lineCutter } from './line-protocol.ts';

/** What of Web Serial is used; browsers without it have none. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly open: (options: { readonly baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
}
interface Serial {
  readonly requestPort: () => Promise<SerialPort>;
}

const serialOf = (): Serial | undefined => (navigator as unknown as { readonly serial?: Serial }).serial;

/** Whether this browser can speak with a gauge on a wire. */
export const hasSerial = (): boolean => typeof navigator !== 'undefined' && serialOf() !== undefined;

/** Lets the tech choose a gauge on a wire and listens to it; null when none was chosen. */
export async function openSerialGauge(baudRate = 9600): Promise<GaugeLink | null> {
  const port = await serialOf()
    ?.requestPort()
    .catch(() => null);
  if (!port) return null;
  await port.open({ baudRate });
  const reader = port.readable?.getReader();
  const ears = new Set<(line: string) => void>();
  const [cut, text] = [lineCutter(), new TextDecoder()];
  const read = async (): Promise<void> => {
    for (let piece = await reader?.read(); piece && !piece.done; piece = await reader?.read()) {
      for (const line of cut(text.decode(piece.value, { stream: true }))) ears.forEach((hear) => hear(line));
    }
  };
  void read().catch(() => ears.forEach((hear) => hear('! the gauge is gone')));
  return {
    name: 'Gauge on a wire',
    simulated: false,
    listen: (hear) => {
      ears.add(hear);
      return () => ears.delete(hear);
    },
    close: async () => {
      ears.clear();
      await reader?.cancel();
      reader?.releaseLock();
      await port.close();
    },
  };
}
