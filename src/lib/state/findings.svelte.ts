import { packedDiff, packedProject } from '$core/tables/packed';
import type { Facts, Finding } from '$core/kinds/finding';
import type { Diff } from '$core/project/diff';
import { maybeSteps } from '$core/project/lineage';
import type { Project } from '$core/project/types';
import type { FindingsAnswer, FindingsRequest } from '$lib/workers/findings.worker';

const REST_MS = 150;
/** The page that was just opened comes first, and the hand that goes to it. */
const FIRST_MS = 500;
/** A worker that has been at work for longer is ended with its project: a new one begins sooner than it is done. */
const LATE_MS = 2000;

/**
 * A worker of a project that was left, ready for the next: bringing the rules into one takes long, and it knows what
 * they say of that project, should it be opened again.
 */
let spare: Worker | null = null;
/** Counts over all projects of this window, so that an answer of one is never taken for that of another. */
let lastId = 0;

/** Has the rules run in a worker when the hand rests, and keeps what they last said. */
export class FindingsWatch {
  all = $state.raw<readonly Finding[]>([]);
  #worker: Worker | null = null;
  #sent: Project | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #id = 0;
  #answered = 0;
  /** When the first of what has not been answered yet was asked, ms. */
  #since = 0;
  #isBegun = false;

  /** The first look, once the page is on show, which needs the machine more; later calls do nothing. */
  begin(project: Project, facts: Facts): void {
    if (this.#isBegun) return;
    this.#isBegun = true;
    this.#timer = setTimeout(() => this.#post(project, facts), FIRST_MS);
  }

  ask(project: Project, facts: Facts): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => this.#post(project, facts), REST_MS);
  }

  #post(project: Project, facts: Facts): void {
    const worker = (this.#worker ??= this.#start());
    if (this.#answered === this.#id) this.#since = performance.now();
    lastId += 1;
    const id = lastId;
    this.#id = id;
    const steps = this.#sent && maybeSteps(this.#sent, project);
    const diffs: readonly Diff[] | null = steps && [...steps].reverse();
    this.#sent = project;
    const request: FindingsRequest = diffs
      ? { id, diffs: diffs.map(packedDiff), facts }
      : { id, project: packedProject(project), facts };
    worker.postMessage(request);
  }

  #start(): Worker {
    const worker =
      spare ??
      new Worker(new URL('$lib/workers/findings.worker.ts', import.meta.url), {
        type: 'module',
        name: 'findings'
      });
    spare = null;
    worker.onmessage = ({ data }: MessageEvent<FindingsAnswer>) => this.#take(data);
    return worker;
  }

  #take({ id, ms, findings }: FindingsAnswer): void {
    performance.measure('kymation findings', { start: 0, end: ms });
    performance.clearMeasures('kymation findings');
    if (id !== this.#id) return;
    this.#answered = id;
    this.all = findings;
  }

  stop(): void {
    clearTimeout(this.#timer);
    const isLate = this.#answered !== this.#id && performance.now() - this.#since > LATE_MS;
    if (spare || isLate) this.#worker?.terminate();
    else spare = this.#worker;
    this.#worker = null;
    this.#sent = null;
    this.#isBegun = false;
  }
}
