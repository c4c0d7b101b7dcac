/** A kitchen scale: bytes of text, a line a reading, as scales send over a serial port. */
export interface ScaleSource {
  readonly name: string;
  /** @throws Error with a sentence for the person when the scale cannot be reached */
  open(): Promise<ReadableStream<Uint8Array>>;
  close(): Promise<void>;
}
