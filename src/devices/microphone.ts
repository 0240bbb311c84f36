/** A microphone that is open. */
export interface Microphone {
  /** samples a second */
  readonly rate: number;
  /** its samples come here, one channel, between −1 and 1 */
  readonly port: MessagePort;
  close(): void;
}

/** Why nothing can be heard. */
export type NoMicrophone = 'insecure' | 'not-allowed' | 'none' | 'busy';

const WHY: Readonly<Record<string, NoMicrophone>> = {
  NotAllowedError: 'not-allowed',
  SecurityError: 'not-allowed',
  NotFoundError: 'none',
  OverconstrainedError: 'none',
};

/** As it sounds: nothing that a telephone would do to it. */
const PLAIN: MediaTrackConstraints = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
  channelCount: 1,
};

/**
 * Opens this tablet's microphone; the browser asks whoever holds it. Nothing is kept or sent by this.
 * @param onLost it went away while it was open: unplugged, or no longer allowed
 */
export async function openMicrophone(onLost: () => void): Promise<Microphone | NoMicrophone> {
  // Without a secure page a browser has no microphone to give.
  if (!('mediaDevices' in navigator)) return 'insecure';
  let stream: MediaStream;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ audio: PLAIN });
  } catch (error) {
    return WHY[error instanceof Error ? error.name : ''] ?? 'busy';
  }
  const context = new AudioContext();
  const close = (): void => {
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
  try {
    await context.audioWorklet.addModule(new URL('./microphone.worklet.js', import.meta.url));
    const node = new AudioWorkletNode(context, 'microphone', { numberOfOutputs: 0 });
    const { port1, port2 } = new MessageChannel();
    node.port.postMessage(port1, [port1]);
    context.createMediaStreamSource(stream).connect(node);
    await context.resume();
    for (const track of stream.getTracks()) track.addEventListener('ended', onLost);
    return { rate: context.sampleRate, port: port2, close };
  } catch {
    close();
    return 'busy';
  }
}
