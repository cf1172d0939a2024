import { Answering, type Call } from './answering';

/** Runs in a worker: a page is never blocked by a calculation. */

export interface Start {
  url: string;
}

let answering: Answering | undefined;

self.onmessage = ({ data }: MessageEvent<Call | Start>) => {
  if ('url' in data) {
    const module = WebAssembly.compileStreaming(fetch(data.url));
    // Said by each call that needs it.
    module.catch(() => undefined);
    answering = new Answering(module);
  } else {
    void answering?.answer(data).then((reply) => self.postMessage(reply));
  }
};
