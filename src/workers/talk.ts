/** Thrown outside of any promise: only then does the page, which listens for a worker's errors, hear of it. */
const toldAsError = (error: unknown): void => {
  setTimeout(() => {
    throw error;
  });
};

/** What a worker is asked, one message after the other. */
export function onAsked<Asked>(answer: (asked: Asked) => void | Promise<void>): void {
  globalThis.addEventListener('message', ({ data }: MessageEvent<Asked>) => {
    Promise.resolve(answer(data)).catch(toldAsError);
  });
}

/** Tells the page something; what is transferred is the page's from then on. */
export const teller =
  <News>() =>
  (news: News, transfer: Transferable[] = []): void =>
    globalThis.postMessage(news, { transfer });
