import type { PhotoTags } from '../formats/photoProposal';

/** One picture that was brought home, as its EXIF tells of it. */
export interface TakenPicture {
  fileName: string;
  /** Which of the files it is. */
  at: number;
  tags: PhotoTags;
  /** Tells it from every other file, by its contents; the same whatever it is called. */
  print?: string | undefined;
}

/** A picture that could not be read, and why. */
export interface UnreadPicture {
  fileName: string;
  message: string;
}
