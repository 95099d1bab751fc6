import { thumbnail } from 'exifr';
import { readPhoto } from '@/core/formats/readPhoto';
import { groupPictures, middlePicture, type TakenGroup } from '@/core/log/groupPictures';
import type { HomeNews, HomeOrder } from '@/core/log/homeOrder';
import type { TakenPicture, UnreadPicture } from '@/core/log/picture';
import { onAsked, teller } from './talk';

const tell = teller<HomeNews>();

/** EXIF of most files lies within this; only where it does not is more read. */
const FIRST_BYTES = 256 * 1024;
/** Files read at once: a card answers several as fast as one. */
const AT_ONCE = 6;
/** A small picture larger than this is not kept. */
const MOST_PREVIEW_BYTES = 28_000;

async function tagsOf(file: File) {
  const first = await readPhoto(file, FIRST_BYTES);
  return first.ok && first.tags.takenAt ? first : readPhoto(file);
}

/** Bytes of the head, the middle and the end that tell one file from another, beside its length. */
const [HEAD_BYTES, PIECE_BYTES] = [64 * 1024, 4 * 1024];
/** Characters of a fingerprint: two of a million pictures are alike once in 10^13 times. */
const PRINT_CHARACTERS = 24;

/** A fingerprint of the contents, EXIF among them; none where the browser hashes nothing, or the file is gone. */
async function printOf(file: File): Promise<string | undefined> {
  const middle = Math.floor(file.size / 2);
  const pieces = new Blob([
    String(file.size),
    file.slice(0, HEAD_BYTES),
    file.slice(middle, middle + PIECE_BYTES),
    file.slice(-PIECE_BYTES),
  ]);
  try {
    const hash = await crypto.subtle.digest('SHA-256', await pieces.arrayBuffer());
    return Array.from(new Uint8Array(hash), (byte) => byte.toString(16).padStart(2, '0'))
      .join('')
      .slice(0, PRINT_CHARACTERS);
  } catch {
    return undefined;
  }
}

/** The small picture a file carries in itself. */
async function previewOf(file: File): Promise<string | undefined> {
  const bytes = await file
    .slice(0, FIRST_BYTES)
    .arrayBuffer()
    .then(thumbnail)
    .catch(() => undefined);
  if (!bytes || bytes.length === 0 || bytes.length > MOST_PREVIEW_BYTES) return undefined;
  return `data:image/jpeg;base64,${btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))}`;
}

async function readAll(files: File[]) {
  const [pictures, unread]: [TakenPicture[], UnreadPicture[]] = [[], []];
  let [next, done] = [0, 0];
  const one = async (): Promise<void> => {
    for (let at = next++; at < files.length; at = next++) {
      const file = files[at]!;
      const read = await tagsOf(file);
      if (read.ok) pictures.push({ fileName: file.name, at, tags: read.tags, print: await printOf(file) });
      else unread.push({ fileName: file.name, message: read.message });
      done += 1;
      tell({ kind: 'progress', done, total: files.length });
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, one));
  return { pictures, unread };
}

const withPreview = async (group: TakenGroup, files: File[]) => ({
  ...group,
  preview: await previewOf(files[middlePicture(group).at]!),
});

onAsked<HomeOrder>(async ({ files, pauseMin }) => {
  const { pictures, unread } = await readAll(files);
  const groups = groupPictures(pictures, pauseMin);
  tell({ kind: 'done', unread, groups: await Promise.all(groups.map((group) => withPreview(group, files))) });
});
