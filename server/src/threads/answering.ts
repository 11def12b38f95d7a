import { parentPort } from 'node:worker_threads';
import { asHttpError, type HttpError } from '../http/errors.ts';

/** What a thread answers; what is long and goes out as it is is packed there. */
export type Told =
  | { progress: unknown }
  | { json: string }
  | { gzip: Uint8Array }
  | {
      fault: {
        http?: Pick<HttpError, 'status' | 'code' | 'field' | 'more'>;
        name: string;
        message: string;
        stack?: string | undefined;
      };
    };

type Answering<Asked> = (
  asked: Asked,
  /** tells how far it has come */
  progress: (progress: unknown) => void,
) => Told | Promise<Told>;

/** Makes this thread answer whatever it is asked. */
export function answering<Asked>(answer: Answering<Asked>): void {
  parentPort!.on('message', (asked: Asked) => {
    void told(answer, asked).then((message) => parentPort!.postMessage(message));
  });
}

async function told<Asked>(answer: Answering<Asked>, asked: Asked): Promise<Told> {
  try {
    return await answer(asked, (progress) => parentPort!.postMessage({ progress }));
  } catch (thrown) {
    const error = thrown instanceof Error ? thrown : new Error(String(thrown));
    const http = asHttpError(error);
    const { name, message, stack } = http ?? error;
    return { fault: { name, message, stack, ...(http ? { http: partsOf(http) } : {}) } };
  }
}

/** An error loses its own fields on the way to another thread. */
function partsOf({ status, code, field, more }: HttpError) {
  return { status, code, more, ...(field ? { field } : {}) };
}
