import { bandWindows, hasPixels, picturesOf, shownWidth } from '../../compile/renditions';
import { isFilmFile } from '../../html/clean';
import { type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { settingsWithDefaults } from '../../kinds/settings';
import { nodeOf } from '../../project/tree';
import type { Asset, Node, Project } from '../../project/types';

/** Device pixels to a CSS px of a sharp screen (common practice, no source). */
const RATIO = 2;
/**
 * What one file may weigh before people wait for it (common practice, no source): as it is, and where smaller
 * ones are made of it.
 */
const HEAVY = { asItIs: 400_000, original: 5_000_000 };
/**
 * Sections as tall as the window with a picture or film: more of them than this make a page slow and tiring
 * (common practice, no source).
 */
const SCREENS_MOST = 4;
const SCREENS_WEIGHT_MOST = 4_000_000;

const size = (bytes: number) =>
  bytes >= 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.round(bytes / 1000)} kB`;

/** A picture of so many px in a place that shows it `shown` px wide. */
function tooFewPixels(node: Node, { file, width }: Asset, shown: number, window: number): Remark {
  const wanted = shown * RATIO;
  const looks = width! < shown ? 'blurred' : 'soft on sharp screens';
  return warning({
    view: 'Fill',
    number: `${width} of ${wanted} px`,
    sentence: `${file} in ${node.name} looks ${looks}: it is ${width} px wide and ${wanted} px are shown`,
    cause: `In a window of ${window} px it is ${shown} px wide, and a sharp screen has ${RATIO} pixels for each. Nothing here can add pixels to it: add it again from an original of ${wanted} px or more, or let it stand if softness is meant.`
  });
}

export const grainyPicture = (registry: Registry): FindingRule => ({
  id: 'picture-grainy',
  summary: 'A picture has fewer pixels than a sharp screen shows of it',
  kinds: null,
  check(node, project) {
    const { wide } = bandWindows(project.info.bands);
    const found = picturesOf(registry, project, node).filter(({ asset }) => hasPixels(asset));
    return found.flatMap(({ asset, room, covers }) => {
      const shown = shownWidth(room, wide, covers ? null : asset.width);
      return asset.width! < shown * RATIO ? tooFewPixels(node, asset, shown, wide) : [];
    });
  }
});

const isHeavy = (asset: Asset): boolean => asset.bytes > (hasPixels(asset) ? HEAVY.original : HEAVY.asItIs);

const tooHeavy = (node: Node, asset: Asset) =>
  warning({
    view: 'Fill',
    number: size(asset.bytes),
    sentence: `${asset.file} in ${node.name} weighs ${size(asset.bytes)}`,
    cause: howLighter(asset)
  });

/** What makes a picture lighter. */
const howLighter = (asset: Asset): string =>
  hasPixels(asset)
    ? 'Smaller ones are made of it when you export, but one HTML file carries it whole, and so does your project file. Save it smaller.'
    : 'It goes along as it is: of a drawing or a moving picture no smaller one can be made. Save it smaller, or a moving one as a film.';

export const heavyPicture = (registry: Registry): FindingRule => ({
  id: 'picture-heavy',
  summary: 'A picture weighs more than it should',
  kinds: null,
  check: (node, project) =>
    picturesOf(registry, project, node)
      .filter(({ asset }) => isHeavy(asset))
      .map(({ asset }) => tooHeavy(node, asset))
});

type Settings = Readonly<Record<string, unknown>>;

/** At least four fifths of the window's height. */
const isScreen = (height: unknown) =>
  Number(/^(\d+(?:\.\d+)?)[sdl]?vh$/.exec(String(height))?.[1] ?? 0) >= 80;

const showsMedia = ({ picture, film, video }: Settings): boolean =>
  Boolean(picture || film) || isFilmFile(String(video));

/** Settings of the sections of a page that fill the window with a picture or film. */
const fullScreens = (registry: Registry, project: Project, page: Node): readonly Settings[] =>
  (page.slots.sections ?? [])
    .map((id) => nodeOf(project, id))
    .filter(({ kind }) => kind === 'section')
    .map((section) => settingsWithDefaults(registry.of(section), section))
    .filter((settings) => isScreen(settings.height) && showsMedia(settings));

/** What pictures and films of some sections weigh, bytes; one that stands in several counts once. */
function weightOf({ assets }: Project, sections: readonly Settings[]): number {
  const ids = new Set(sections.flatMap(({ picture, film }) => [picture, film]).filter(Boolean));
  return [...ids].reduce<number>((sum, id) => sum + (assets[id as Asset['id']]?.bytes ?? 0), 0);
}

const tooManyScreens = (count: number, weight: string) =>
  warning({
    view: 'Fill',
    number: `${count}, ${weight}`,
    sentence: `${count} sections fill the window with a picture or film, ${weight} of pictures in all`,
    cause: `More than ${SCREENS_MOST} of them, or more than ${size(SCREENS_WEIGHT_MOST)}, and people wait and tire. Give some a plain ground, or less height.`
  });

export const fullScreenMedia = (registry: Registry): FindingRule => ({
  id: 'full-screen-media',
  summary: 'Too many, or too heavy, sections that fill the window with a picture or film',
  kinds: ['page'],
  scope: 'project',
  check(node, project) {
    const full = fullScreens(registry, project, node);
    const weight = weightOf(project, full);
    const isMuch = full.length > SCREENS_MOST || weight > SCREENS_WEIGHT_MOST;
    return isMuch ? tooManyScreens(full.length, size(weight)) : null;
  }
});
