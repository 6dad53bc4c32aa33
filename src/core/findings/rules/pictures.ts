import { bandWindows, hasPixels, picturesOf, shownWidth } from '../../compile/renditions';
import { isFilmFile } from '../../html/clean';
import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { settingsWithDefaults } from '../../kinds/settings';
import { nodeOf } from '../../project/tree';
import type { Asset, Node } from '../../project/types';

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

export const grainyPicture = (registry: Registry): FindingRule => ({
  id: 'picture-grainy',
  summary: 'A picture has fewer pixels than a sharp screen shows of it',
  kinds: null,
  check(node, project) {
    const { wide } = bandWindows(project.info.bands);
    return picturesOf(registry, project, node).flatMap(({ asset, room, covers }) => {
      if (!hasPixels(asset)) return [];
      const shown = shownWidth(room, wide, covers ? null : asset.width);
      if (asset.width! >= shown * RATIO) return [];
      return [
        {
          severity: 'warning' as const,
          part: 'root',
          view: 'Fill' as const,
          number: `${asset.width} of ${shown * RATIO} px`,
          sentence: `${asset.file} in ${node.name} looks ${asset.width! < shown ? 'blurred' : 'soft on sharp screens'}: it is ${asset.width} px wide and ${shown * RATIO} px are shown`,
          cause: `In a window of ${wide} px it is ${shown} px wide, and a sharp screen has ${RATIO} pixels for each. Nothing here can add pixels to it: add it again from an original of ${shown * RATIO} px or more, or let it stand if softness is meant.`,
          fix: null
        }
      ];
    });
  }
});

export const heavyPicture = (registry: Registry): FindingRule => ({
  id: 'picture-heavy',
  summary: 'A picture weighs more than it should',
  kinds: null,
  check: (node, project) =>
    picturesOf(registry, project, node).flatMap(({ asset }) => {
      if (asset.bytes <= (hasPixels(asset) ? HEAVY.original : HEAVY.asItIs)) return [];
      return [
        {
          severity: 'warning' as const,
          part: 'root',
          view: 'Fill' as const,
          number: size(asset.bytes),
          sentence: `${asset.file} in ${node.name} weighs ${size(asset.bytes)}`,
          cause: hasPixels(asset)
            ? 'Smaller ones are made of it when you export, but one HTML file carries it whole, and so does your project file. Save it smaller.'
            : 'It goes along as it is: of a drawing or a moving picture no smaller one can be made. Save it smaller, or a moving one as a film.',
          fix: null
        }
      ];
    })
});

/** At least four fifths of the window's height. */
const isScreen = (height: unknown) =>
  Number(/^(\d+(?:\.\d+)?)[sdl]?vh$/.exec(String(height))?.[1] ?? 0) >= 80;

export const fullScreenMedia = (registry: Registry): FindingRule => ({
  id: 'full-screen-media',
  summary: 'Too many, or too heavy, sections that fill the window with a picture or film',
  kinds: ['page'],
  scope: 'project',
  check(node, project) {
    const sections = (node.slots.sections ?? [])
      .map((id): Node => nodeOf(project, id))
      .filter((each) => each.kind === 'section');
    const full = sections
      .map((each) => settingsWithDefaults(registry.kindOf(each.kind), each))
      .filter(
        (each) => isScreen(each.height) && (each.picture || each.film || isFilmFile(String(each.video)))
      );
    const pictures = new Map(
      full.flatMap(({ picture, film }) =>
        [picture, film].flatMap((id) => (id ? [[id as string, project.assets[id as Asset['id']]]] : []))
      )
    );
    const weight = [...pictures.values()].reduce((sum, asset) => sum + (asset?.bytes ?? 0), 0);
    if (full.length <= SCREENS_MOST && weight <= SCREENS_WEIGHT_MOST) return [];
    return [
      {
        severity: 'warning',
        part: 'root',
        view: 'Fill',
        number: `${full.length}, ${size(weight)}`,
        sentence: `${full.length} sections fill the window with a picture or film, ${size(weight)} of pictures in all`,
        cause: `More than ${SCREENS_MOST} of them, or more than ${size(SCREENS_WEIGHT_MOST)}, and people wait and tire. Give some a plain ground, or less height.`,
        fix: null
      }
    ];
  }
});
