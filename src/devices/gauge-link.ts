/** A gauge one can listen to, real or simulated: lines of {@link readGaugeLine} come when it has something to say. */
export interface GaugeLink {
  readonly name: string;
  readonly simulated: boolean;
  /** Hears every line until the returned function is called. */
  readonly listen: (hear: (line: string) => void) => () => void;
  readonly close: () => Promise<void>;
}
