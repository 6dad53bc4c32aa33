import { array, boolean, number, object, string, type InferType } from 'yup';
import { newId } from '$core/project/ids';
import { WIDTH_LEAST, WIDTH_MOST } from './preview.svelte';
import { keepDevices, keptDevices } from './remembered';

/** Heights a window of a device may have, px. */
export const HEIGHT_LEAST = 200;
export const HEIGHT_MOST = 3000;
/** More of them side by side are too small to look at. */
export const SHOWN_MOST = 5;

const deviceSchema = object({
  id: string().strict(true).max(64).required(),
  name: string().strict(true).trim().min(1).max(40).required(),
  /** Size of its window, CSS px. */
  width: number().strict(true).integer().min(WIDTH_LEAST).max(WIDTH_MOST).required(),
  height: number().strict(true).integer().min(HEIGHT_LEAST).max(HEIGHT_MOST).required(),
  /** Its own pixels to a CSS px. */
  ratio: number().strict(true).min(1).max(5).required(),
  isTouch: boolean().strict(true).required(),
  /** Type size its reader has chosen in the browser, in percent of the usual. */
  type: number().strict(true).integer().min(50).max(300).required(),
  isShown: boolean().strict(true).required()
}).noUnknown();

export type Device = InferType<typeof deviceSchema>;

const kept = array().of(deviceSchema).min(1).max(40).required();

const device = (
  name: string,
  [width, height]: readonly [number, number],
  ratio: number,
  more: Partial<Device> = {}
): Device => ({
  id: newId<never>('device'),
  name,
  width,
  height,
  ratio,
  isTouch: true,
  type: 100,
  isShown: false,
  ...more
});

/** Sizes that stand for many (common practice, no source). */
const offered = (): readonly Device[] => [
  device('Small phone', [320, 560], 2),
  device('Phone', [390, 760], 3, { isShown: true }),
  device('Phone, large type', [390, 760], 3, { type: 150 }),
  device('Phone on its side', [760, 360], 3),
  device('Tablet', [820, 1080], 2, { isShown: true }),
  device('Laptop', [1366, 660], 1, { isTouch: false, isShown: true }),
  device('Tall screen', [1200, 1700], 1, { isTouch: false })
];

function read(): readonly Device[] {
  try {
    return kept.validateSync(JSON.parse(keptDevices() ?? 'null'), { strict: true });
  } catch {
    return offered();
  }
}

/** Stand-in devices of this browser; they are no part of a project. */
export class Devices {
  all = $state.raw<readonly Device[]>(read());
  /** On those that are touched, a keyboard covers the lower half. */
  typing = $state(false);

  get shown(): readonly Device[] {
    return this.all.filter(({ isShown }) => isShown).slice(0, SHOWN_MOST);
  }

  #take(all: readonly Device[]): void {
    this.all = all;
    keepDevices(JSON.stringify(all));
  }

  /** @returns why a device cannot be so; null where it can, and is from then on. */
  change(id: string, more: Partial<Device>): string | null {
    const next = this.all.map((each) => (each.id === id ? { ...each, ...more } : each));
    const { isShown } = more;
    if (isShown && next.filter((each) => each.isShown).length > SHOWN_MOST)
      return `${SHOWN_MOST} at most stand side by side. Take one of the others off first.`;
    if (isShown === false && !next.some((each) => each.isShown)) return 'One at least is shown.';
    try {
      kept.validateSync(next, { strict: true });
    } catch {
      return (
        `Widths go from ${WIDTH_LEAST} to ${WIDTH_MOST} px, heights from ${HEIGHT_LEAST} to ${HEIGHT_MOST}, ` +
        'pixels from 1 to 5, type from 50 to 300 %.'
      );
    }
    this.#take(next);
    return null;
  }

  add(): void {
    this.#take([...this.all, device('Another', [600, 800], 2)]);
  }

  remove(id: string): void {
    const rest = this.all.filter((each) => each.id !== id);
    const isNoneShown = !rest.some(({ isShown }) => isShown);
    this.#take(isNoneShown ? rest.map((each, n) => ({ ...each, isShown: n === 0 })) : rest);
  }

  reset(): void {
    this.#take(offered());
  }
}
