import { makeDemo } from '../../demo/make';
import type { PageId } from '../../src/core/project/types';

/** The demo, made once for all tests of a worker, which only read it. */
export const { project: demo, bytes } = makeDemo();

/** The demo's first page. */
export const VISIT = 'visit' as PageId;
