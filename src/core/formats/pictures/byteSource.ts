/** A file as a reader takes it: piece by piece, at once. Throws what its platform throws where the file is gone. */
export interface ByteSource {
  /** Its length, bytes. */
  size: number;
  /** Bytes from one place up to another; fewer where the file ends before. */
  read: (from: number, to: number) => Uint8Array<ArrayBuffer>;
}

/** Bytes that are in memory already. */
export const bytesInMemory = (bytes: Uint8Array): ByteSource => ({
  size: bytes.length,
  read: (from, to) => bytes.slice(from, to),
});
