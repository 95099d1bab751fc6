import type { VipsLibrary } from '@/core/formats/pictures/vipsPicture';

type MakeLibrary = (settings: {
  dynamicLibraries: string[];
  preRun: (module: { ENV: Record<string, string> }) => void;
}) => Promise<VipsLibrary>;

/** The library, started when the first picture asks for it; what decodes AVIF is large and comes only for such a file. */
export function libraryOf(make: MakeLibrary): (avif: boolean) => Promise<VipsLibrary> {
  const started = new Map<boolean, Promise<VipsLibrary>>();
  const start = async (avif: boolean): Promise<VipsLibrary> => {
    const vips = await make({
      dynamicLibraries: avif ? ['vips-heif.wasm'] : [],
      // Small oddities of a file are nobody's business: they would stand in the browser's console.
      preRun: ({ ENV }) => {
        ENV.VIPS_WARNING = '0';
      },
    });
    // One picture at a time and nothing kept: a phone has neither memory nor cores to spare.
    vips.Cache.max(0);
    vips.concurrency(1);
    return vips;
  };
  return (avif) => {
    const library = started.get(avif) ?? start(avif);
    started.set(avif, library);
    return library;
  };
}
