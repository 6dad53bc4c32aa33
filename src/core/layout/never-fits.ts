import { warning, type Fit, type Fix, type Remark } from '../kinds/finding';
import type { Node } from '../project/types';

interface Row {
  /** What stands in the row, as its kind calls it. */
  readonly what: string;
  /** What can be done about it, as one sentence. */
  readonly advice: string;
  readonly fix: Fix;
}

/** What is said of a row that has the room it needs in no window. It is the row of the part `list`. */
export function neverFits({ name }: Node, { needed, available, viewport }: Fit, row: Row): Remark {
  const px = `${Math.ceil(needed)} px`;
  return warning({
    part: 'list',
    view: 'Fallbacks',
    number: px,
    sentence: `The ${row.what} of ${name} never fit on one line: they need ${px}`,
    cause: `A window of ${viewport} px has ${Math.floor(available)} px for them. ${row.advice}`,
    fix: row.fix
  });
}
