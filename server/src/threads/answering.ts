import { parentPort } from 'node:worker_threads';
import { asHttpError, type HttpError } from '../http/errors.ts';

/** What a thread answers; what is long and goes out as it is is packed there. */
export type Told =
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

/** Makes this thread answer whatever it is asked. */
export function answering<Asked>(tell: (asked: Asked) => Told | Promise<Told>): void {
  parentPort!.on('message', (asked: Asked) => {
    void told(tell, asked).then((message) => parentPort!.postMessage(message));
  });
}

async function told<Asked>(
  tell: (asked: Asked) => Told | Promise<Told>,
  asked: Asked,
): Promise<Told> {
  try {
    return await tell(asked);
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
