import { expanded } from '../rows/rows';
import { mixed, number, object, string } from 'yup';
import type { Registry } from '../kinds/registry';
import { addressOf } from '../project/files';
import { hasWords, ID_PATTERN } from '../project/ids';
import {
  SUPPORT_TARGETS,
  type Asset,
  type AssetId,
  type Bands,
  type Fragment,
  type Node,
  type Page,
  type Project,
  type SupportTarget
} from '../project/types';
import { define, no, putAll } from './define';
import { fieldsOf } from '../kinds/settings';

export const BAND_LEAST = 280;
export const BAND_MOST = 2400;

export const renameProject = define<{ name: string }>()({
  type: 'rename-project',
  args: object({ name: string().strict(true).defined() }),
  label: ({ name }) => `Rename the project to ${name.trim()}`,
  refusal(_project, { name }) {
    if (!hasWords(name)) return no('no-name', 'A project needs a name.');
    return name.trim().length > 120 ? no('long-name', 'A name can have 120 characters at most.') : null;
  },
  run(draft, { name }) {
    draft.info.name = name.trim();
  }
});

const isOutside = (medium: number, narrow: number): boolean => narrow < BAND_LEAST || medium > BAND_MOST;

export const setBands = define<Bands & object>()({
  type: 'set-bands',
  args: object({ medium: number().integer().required(), narrow: number().integer().required() }),
  label: ({ medium, narrow }) => `Width bands at ${narrow} and ${medium} px`,
  refusal(_project, { medium, narrow }) {
    if (isOutside(medium, narrow))
      return no('band-range', `Width bands lie between ${BAND_LEAST} and ${BAND_MOST} px.`);
    return narrow >= medium
      ? no('band-order', `The narrow band (${narrow} px) must end below the medium one (${medium} px).`)
      : null;
  },
  run({ info }, { medium, narrow }) {
    if (info.bands.medium !== medium) info.bands.medium = medium;
    if (info.bands.narrow !== narrow) info.bands.narrow = narrow;
  }
});

export const setSupport = define<{ support: SupportTarget }>()({
  type: 'set-support',
  args: object({ support: mixed<SupportTarget>().oneOf(SUPPORT_TARGETS).required() }),
  label: ({ support }) =>
    `Support ${{ widely: 'widely available', newly: 'newly available', current: 'this browser' }[support]}`,
  refusal: () => null,
  run(draft, { support }) {
    if (draft.info.support !== support) draft.info.support = support;
  }
});

/** Sets a finding aside with a reason, or takes it up again (`reason` null). */
export const setAside = define<{ finding: string; reason: string | null }>()({
  type: 'set-aside',
  args: object({
    finding: string().strict(true).min(1).max(160).required(),
    reason: string().strict(true).max(300).nullable().defined()
  }),
  label: ({ reason }) => (reason === null ? 'Take a finding up again' : 'Set a finding aside'),
  refusal: (_project, { reason }) =>
    reason !== null && reason.trim() === ''
      ? no('no-reason', 'Say why, so that others know. A few words will do.')
      : null,
  run(draft, { finding, reason }) {
    const { aside } = draft.info;
    if (reason !== null) {
      if (aside[finding] !== reason.trim()) aside[finding] = reason.trim();
    } else if (Object.hasOwn(aside, finding)) delete aside[finding];
  }
});

export const addPage = define<{ page: Page; fragment: Fragment }>()({
  type: 'add-page',
  args: object({ page: mixed().required(), fragment: mixed().required() }),
  label: ({ page }) => `Add page ${page.name}`,
  refusal(project, { page, fragment }) {
    if (!ID_PATTERN.test(page.id))
      return no('bad-id', 'The page has an id that cannot stand in a file name.');
    if (!hasWords(page.name)) return no('no-name', 'A page needs a name.');
    if (Object.hasOwn(project.pages, page.id))
      return no('id-in-use', `There is already a page with the id “${page.id}”.`);
    const address = page.address ?? page.id;
    if (project.info.pageOrder.some((id) => addressOf(project, id) === address))
      return no('address-in-use', `There is already a page at ${address}.html.`);
    if (fragment.root !== page.root || !fragment.nodes[page.root])
      return no('broken-piece', 'The page has no content to start from.');
    const taken = Object.keys(fragment.nodes).find((id) => Object.hasOwn(project.nodes, id));
    return taken ? no('id-in-use', `A piece with the id “${taken}” is already in the project.`) : null;
  },
  run(draft, { page, fragment }) {
    draft.pages[page.id] = page;
    draft.info.pageOrder.push(page.id);
    putAll(draft, fragment);
  }
});

export const addAsset = define<{ asset: Asset & object }>()({
  type: 'add-asset',
  args: object({ asset: mixed().required() }),
  label: ({ asset }) => `Add ${asset.face ? 'typeface' : 'picture'} ${asset.file}`,
  refusal(project, { asset }) {
    if (!/^[a-z0-9][a-z0-9._-]{0,99}$/.test(asset.file))
      return no('bad-file-name', `“${asset.file}” is no usable file name.`);
    if (!ID_PATTERN.test(asset.id))
      return no('bad-id', 'The picture has an id that cannot stand in a file name.');
    if (Object.hasOwn(project.assets, asset.id))
      return no('id-in-use', 'That picture is already in the project.');
    const twin = Object.values(project.assets).find((known) => known.file === asset.file);
    return twin ? no('file-in-use', `There is already a picture called ${asset.file}.`) : null;
  },
  run(draft, { asset }) {
    draft.assets[asset.id] = asset;
  }
});

/** What happens where a typeface comes late: `changes` puts it in then, null keeps what stands. */
export const setFaceLate = define<{ id: AssetId; late: 'changes' | null }>()({
  type: 'set-face-late',
  args: object({
    id: string().strict(true).required(),
    late: string().oneOf(['changes']).nullable().defined()
  }),
  label: ({ id }, project) => `Set when ${project.assets[id]?.face?.family ?? 'a typeface'} is drawn`,
  refusal: (project, { id }) =>
    project.assets[id]?.face ? null : no('no-such-face', 'That typeface is no longer in the project.'),
  run(draft, { id, late }) {
    const { face, ...asset } = draft.assets[id]!;
    const { late: before, ...rest } = face!;
    if ((before ?? null) !== late) draft.assets[id] = { ...asset, face: late ? { ...rest, late } : rest };
  }
});

/** Settings of a piece that name a picture or film. */
function assetKeys(registry: Registry, node: Node): readonly string[] {
  return fieldsOf(registry.of(node))
    .filter(([, field]) => field.meta()?.field?.control === 'asset')
    .map(([key]) => key);
}

/** @returns pieces that show a picture, on pages and on the shelf, by what they are called. */
export function showersOf(registry: Registry, project: Project, id: AssetId): readonly string[] {
  const shows = (node: Node) => assetKeys(registry, node).some((key) => node.settings[key] === id);
  const shelved = Object.values(project.shelf).flatMap(({ name, fragment }) =>
    Object.values(fragment.nodes).some(shows) ? [`${name} on the shelf`] : []
  );
  // Rows of a list show pictures too; their pieces are told by the one they are copies of.
  const { project: printed, templateOf } = expanded(registry, project);
  const pieces = Object.values(printed.nodes)
    .filter(shows)
    .map((node) => templateOf(node.id));
  return [
    ...[...new Set(pieces)].map((piece) => project.nodes[piece]!.name),
    ...shelved,
    ...Object.values(project.pages)
      .filter(({ picture }) => picture === id)
      .map(({ name }) => `the preview of ${name}`)
  ];
}

export const removeAsset = define<{ id: AssetId }>()({
  type: 'remove-asset',
  args: object({ id: string().strict(true).required() }),
  label: ({ id }, project) => `Delete ${project.assets[id]?.file ?? 'a file'}`,
  refusal(project, { id }, registry) {
    const asset = project.assets[id];
    if (!asset) return no('no-such-asset', 'That picture is no longer in the project.');
    const uses = showersOf(registry, project, id);
    if (uses.length === 0) return null;
    return no(
      'picture-in-use',
      `${asset.file} is shown by ${uses.slice(0, 3).join(', ')}${uses.length > 3 ? ` and ${uses.length - 3} more` : ''}. Give ${uses.length === 1 ? 'it' : 'them'} another picture first.`
    );
  },
  run(draft, { id }) {
    delete draft.assets[id];
  }
});
