import { create } from 'zustand';
import type { Found, Opened, Place, Question } from '@/core/measure/benchTalk';
import type { PhotoTags } from '@/core/formats/photoProposal';
import type { Tone } from '@/core/picture/tone';
import type { Problem, Result } from '@/core/quantity/result';
import { readPhoto } from '@/core/formats/readPhoto';
import { startHolder, type Holder } from './holder';

/** A picture on the bench. It stays on this device, and only as long as the tab is open. */
export interface BenchPicture {
  id: string;
  name: string;
  file: File;
  holder: Holder;
  tone: Tone | null;
  opened: Opened | null;
  /** How far opening or measuring is, 0 to 1; nothing while nothing is under way. */
  share: number | null;
  problem: Problem | null;
  tags: PhotoTags | null;
  /** What was asked last, and what was found. */
  question: Question | null;
  found: Found | null;
  /** The two handles. */
  ends: [Place, Place] | null;
  /** The set-up the person says it was taken with. */
  setupId: string | null;
  /** How long it was exposed, s, as the person says. */
  exposureS: number | null;
  /** Strokes of stars are drawn so many times as long as they are. */
  strokesTimes: number;
  /** What the simulated camera knows of what it took; nothing for real pictures. */
  truth: SimulatedTruth | null;
}

/** What is true of a picture of the simulated camera. */
export interface SimulatedTruth {
  words: string;
  pxPerMm?: number;
  lengthPx?: number;
  diameterPx?: number;
  halfCyclesPerPx?: number;
  centrePx?: number;
}

/** A picture, and what is true of it where it is a simulated one. */
export interface Brought {
  file: File;
  truth: SimulatedTruth | null;
}

interface Bench {
  pictures: BenchPicture[];
  /** The one looked at. */
  currentId: string | null;
  /** Whether it is being compared, and with which; nothing while there is no second. */
  comparing: { secondId: string | null } | null;
}

export const useBench = create<Bench>()(() => ({ pictures: [], currentId: null, comparing: null }));

const patch = (id: string, change: Partial<BenchPicture>): void =>
  useBench.setState(({ pictures }) => ({
    pictures: pictures.map((each) => (each.id === id ? { ...each, ...change } : each)),
  }));

const pictureOf = (id: string): BenchPicture | undefined => useBench.getState().pictures.find((each) => each.id === id);

export const showPicture = (currentId: string): void => useBench.setState({ currentId });

/** Lays the picture looked at and another over each other: the one named, or any other there is. */
export function compare(secondId?: string): void {
  const { pictures, currentId } = useBench.getState();
  const other = pictures.find(({ id }) => id !== currentId)?.id ?? null;
  useBench.setState({ comparing: { secondId: secondId ?? other } });
}

export const stopComparing = (): void => useBench.setState({ comparing: null });

/** Opens a file again or for the first time, in a worker of its own. */
async function openIn(id: string, ways: { tone?: Tone; frame?: number }): Promise<boolean> {
  const picture = pictureOf(id);
  if (!picture) return false;
  patch(id, { share: 0, problem: null });
  const opened = await picture.holder.open(picture.file, ways, (share) => patch(id, { share }));
  if (opened.ok) patch(id, { opened: opened.value, share: null });
  else patch(id, { problem: opened.problem, share: null });
  return opened.ok;
}

/** Brings pictures to the bench; the first of them is looked at. */
export function bringPictures(files: readonly File[]): void {
  bring(files.map((file) => ({ file, truth: null })));
}

/** The same, with what is true of each. */
export function bring(pictures: readonly Brought[]): void {
  const brought = pictures.map(({ file, truth }): BenchPicture => ({
    id: crypto.randomUUID(),
    name: file.name,
    file,
    holder: startHolder(),
    tone: null,
    opened: null,
    share: 0,
    problem: null,
    tags: null,
    question: null,
    found: null,
    ends: null,
    setupId: null,
    exposureS: null,
    strokesTimes: 10,
    truth,
  }));
  const [first] = brought;
  if (!first) return;
  useBench.setState(({ pictures, currentId, comparing }) => ({
    pictures: [...pictures, ...brought],
    // What is brought while a second picture is waited for is that one.
    ...(comparing && comparing.secondId === null && currentId
      ? { comparing: { secondId: first.id } }
      : { currentId: first.id }),
  }));
  for (const { id, file } of brought) {
    void openIn(id, {});
    void readPhoto(file).then((read) => {
      if (read.ok) patch(id, { tags: read.tags });
    });
  }
}

/** Takes a picture off the bench. */
export function putAway(id: string): void {
  pictureOf(id)?.holder.stop();
  useBench.setState(({ pictures, currentId, comparing }) => {
    const left = pictures.filter((each) => each.id !== id);
    return {
      pictures: left,
      currentId: currentId === id ? (left[0]?.id ?? null) : currentId,
      comparing: currentId === id || comparing?.secondId === id ? null : comparing,
    };
  });
}

/** Whether a question only corrects what was found. */
const isCorrection = (question: Question): boolean =>
  question.measure === 'ruler' && (question.notAlong !== undefined || question.tickMm !== undefined);

const elsewhere = (problem: Problem): Problem => ({
  ...problem,
  message: `${problem.message} What was found before still stands below.`,
});

/** Asks a picture a question; what was found before stays to be seen until the answer is there. */
export async function askPicture(id: string, question: Question): Promise<Result<Found> | null> {
  const picture = pictureOf(id);
  if (!picture?.opened) return null;
  patch(id, { question, share: 0, problem: null });
  const found = await picture.holder.measure(question, (share) => patch(id, { share }));
  // Asked something else meanwhile: this answer is nobody's any more.
  if (pictureOf(id)?.question !== question) return null;
  if (found.ok) {
    const ends = found.value.measure === 'length' || found.value.measure === 'subject' ? found.value.value.ends : null;
    patch(id, { found: found.value, share: null, ...(ends ? { ends } : {}) });
  } else if (isCorrection(question) && picture.found?.measure === question.measure)
    // What was found before stands: a search elsewhere that finds nothing takes nothing away.
    patch(id, { question: picture.question, share: null, problem: elsewhere(found.problem) });
  else patch(id, { found: null, share: null, problem: found.problem });
  return found;
}

/** Moves a handle; nothing is measured until it is asked. */
export const setEnds = (id: string, ends: [Place, Place]): void => patch(id, { ends });

/** Says what it was taken with. */
export const setTakenWith = (id: string, setupId: string): void => patch(id, { setupId });

export const setExposure = (id: string, exposureS: number | null): void => patch(id, { exposureS });
export const setStrokesTimes = (id: string, strokesTimes: number): void => patch(id, { strokesTimes });

/** Goes back to the choice of questions. */
export const clearAnswer = (id: string): void => patch(id, { question: null, found: null, problem: null });

/** Stops what is under way: the worker ends, and the picture is opened anew in another. */
export function stopMeasuring(id: string): void {
  const picture = pictureOf(id);
  if (!picture) return;
  picture.holder.stop();
  patch(id, { holder: startHolder(), question: null, found: null, share: null, opened: null });
  void openIn(id, picture.tone ? { tone: picture.tone } : {});
}

/** Reads the codes as standing for light in another way, or another frame of a film. */
export function reopen(id: string, ways: { tone?: Tone; frame?: number }): void {
  patch(id, { tone: ways.tone ?? pictureOf(id)?.tone ?? null, found: null, question: null });
  void openIn(id, ways);
}
