/** Gives memory back at once where the browser can; elsewhere the browser does when it comes to it. What was in it is gone. */
export function letGo(buffer: ArrayBufferLike): void {
  (buffer as { transfer?: (bytes: number) => unknown }).transfer?.(0);
}
