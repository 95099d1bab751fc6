/** Where a tag's value stands in a TIFF of one page, lower byte first. */
function valueAt(view: DataView, tag: number): number {
  const count = view.getUint16(8, true);
  for (let i = 0; i < count; i++) {
    const entry = 10 + 12 * i;
    if (view.getUint16(entry, true) === tag) return entry + 8;
  }
  throw new Error(`no tag ${tag}`);
}

/** A DNG of 16 bits as cameras pack it: twelve bits a sample, two samples in three bytes, the upper bits first. */
export function packedDng(file: Uint8Array, width: number, height: number): Uint8Array {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const from = view.getUint32(valueAt(view, 273), true);
  const rowBytes = Math.ceil((12 * width) / 8);
  const out = new Uint8Array(from + rowBytes * height);
  out.set(file.subarray(0, from));
  const changed = new DataView(out.buffer);
  changed.setUint16(valueAt(changed, 258), 12, true);
  changed.setUint16(valueAt(changed, 50_717), 4095, true);
  changed.setUint32(valueAt(changed, 279), rowBytes * height, true);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const sample = view.getUint16(from + 2 * (y * width + x), true) >> 4;
      const bit = 12 * x;
      const at = from + y * rowBytes + (bit >> 3);
      if (bit % 8 === 0) {
        out[at] = sample >> 4;
        out[at + 1] = (sample & 15) << 4;
      } else {
        out[at] = out[at]! | (sample >> 8);
        out[at + 1] = sample & 255;
      }
    }
  return out;
}
