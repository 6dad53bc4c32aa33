import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
import { sourceFolder } from './bundle';

/** Longest time for one job, ms, and most memory for it, MB. A page of 20,000 pieces takes a few seconds. */
const WITHIN_MS = 30_000;
const MEMORY_MB = 1500;
/** Jobs that wait; more than so many are no one's work. */
const WAITING_MOST = 8;

export interface Reply {
  readonly status: number;
  /** JSON. */
  readonly body: string;
}

const refusal = (status: number, sentence: string): Reply => ({ status, body: JSON.stringify({ sentence }) });

let script: Promise<string> | null = null;

async function buildWorker(): Promise<string> {
  const outfile = join(dirname(sourceFolder()), '.svelte-kit/kymation/finishing.mjs');
  mkdirSync(dirname(outfile), { recursive: true });
  await build({
    entryPoints: [join(sourceFolder(), 'server/finishing.worker.ts')],
    outfile,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    define: { STOPPABLE: 'false' },
    logLevel: 'silent',
    tsconfigRaw: '{}'
  });
  return outfile;
}

/** The worker's own bundle, made when it is first needed; packages stay where they are. */
function workerScript(): Promise<string> {
  script ??= buildWorker();
  script.catch(() => (script = null));
  return script;
}

/**
 * One worker that does one job after the other; a job that takes too long or too much ends it, and the next
 * gets a new one.
 */
class Workshop {
  private worker: Worker | null = null;
  private last: Promise<unknown> = Promise.resolve();
  private waiting = 0;

  /** @param request JSON. @param signal a job that nobody waits for any more is not begun. */
  async finish(request: string, signal: AbortSignal): Promise<Reply> {
    if (this.waiting >= WAITING_MOST)
      return refusal(503, 'Other exports are being finished. Wait a moment, then export again.');
    this.waiting += 1;
    const mine = this.last.then(() =>
      signal.aborted ? refusal(499, 'Nobody waits for this export any more.') : this.run(request, signal)
    );
    this.last = mine.catch(() => {});
    return mine.finally(() => (this.waiting -= 1));
  }

  private async run(request: string, signal: AbortSignal): Promise<Reply> {
    this.worker ??= new Worker(await workerScript(), {
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB, stackSizeMb: 4 }
    });
    const worker = this.worker;
    return new Promise((resolve) => {
      const end = (reply: Reply, keeps: boolean) => {
        clearTimeout(late);
        signal.removeEventListener('abort', stop);
        worker.off('message', onmessage);
        worker.off('error', onerror);
        if (!keeps) {
          this.worker = null;
          void worker.terminate();
        }
        resolve(reply);
      };
      const stop = () => end(refusal(499, 'Nobody waits for this export any more.'), false);
      const late = setTimeout(
        () =>
          end(
            refusal(
              413,
              `The page is too large: it was not finished within ${WITHIN_MS / 1000} seconds. Export fewer pages at once.`
            ),
            false
          ),
        WITHIN_MS
      );
      signal.addEventListener('abort', stop, { once: true });
      const onmessage = (reply: Reply) => end(reply, true);
      const onerror = () =>
        end(refusal(413, 'The page is too large to be finished here. Export fewer pages at once.'), false);
      worker.on('message', onmessage);
      worker.on('error', onerror);
      worker.postMessage(request);
      // The server may end while a worker waits for work.
      worker.unref();
    });
  }
}

export const workshop = new Workshop();
