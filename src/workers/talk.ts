/** What a worker is asked, one message after the other. */
export function onAsked<Asked>(answer: (asked: Asked) => void): void {
  globalThis.addEventListener('message', ({ data }: MessageEvent<Asked>) => answer(data));
}

/** Tells the page something; what is transferred is the page's from then on. */
export const teller =
  <News>() =>
  (news: News, transfer: Transferable[] = []): void =>
    globalThis.postMessage(news, { transfer });
