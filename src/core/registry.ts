import { about as button } from './blocks/button/about';
import { about as column } from './blocks/column/about';
import { about as columns } from './blocks/columns/about';
import { about as dialog } from './blocks/dialog/about';
import { about as drawer } from './blocks/drawer/about';
import { about as embed } from './blocks/embed/about';
import { about as figure } from './blocks/figure/about';
import { about as heading } from './blocks/heading/about';
import { about as icon } from './blocks/icon/about';
import { about as image } from './blocks/image/about';
import { about as layer } from './blocks/layer/about';
import { about as layers } from './blocks/layers/about';
import { about as link } from './blocks/link/about';
import { about as links } from './blocks/links/about';
import { about as page } from './blocks/page/about';
import { about as panel } from './blocks/panel/about';
import { about as progress } from './blocks/progress/about';
import { about as quote } from './blocks/quote/about';
import { about as section } from './blocks/section/about';
import { about as separator } from './blocks/separator/about';
import { about as list } from './blocks/list/about';
import { about as stack } from './blocks/stack/about';
import { about as still } from './blocks/still/about';
import { about as text } from './blocks/text/about';
import { about as video } from './blocks/video/about';
import { about as collapse } from './effects/collapse/about';
import { about as drift } from './effects/drift/about';
import { about as enter } from './effects/enter/about';
import { about as follow } from './effects/follow/about';
import { about as loop } from './effects/loop/about';
import { about as opens } from './effects/opens/about';
import { about as reveal } from './effects/reveal/about';
import { about as screen } from './effects/screen/about';
import { about as sideways } from './effects/sideways/about';
import { about as sticky } from './effects/sticky/about';
import { about as wait } from './effects/wait/about';
import { about as words } from './effects/words/about';
import { about as accordion } from './widgets/accordion/about';
import { about as card } from './widgets/card/about';
import { about as gallery } from './widgets/gallery/about';
import { about as number } from './widgets/number/about';
import { about as pinned } from './widgets/pinned/about';
import { about as slider } from './widgets/slider/about';
import { about as tabs } from './widgets/tabs/about';
import { createRegistry, type EffectEntry, type KindEntry } from './kinds/registry';

/** Every kind there is, one line each, in the order they are offered. */
const kinds: readonly KindEntry[] = [
  { about: page, load: async () => (await import('./blocks/page')).page },
  { about: section, load: async () => (await import('./blocks/section')).section },
  { about: heading, load: async () => (await import('./blocks/heading')).heading },
  { about: text, load: async () => (await import('./blocks/text')).text },
  { about: image, load: async () => (await import('./blocks/image')).image },
  { about: button, load: async () => (await import('./blocks/button')).button },
  { about: icon, load: async () => (await import('./blocks/icon')).icon },
  { about: links, load: async () => (await import('./blocks/links')).links },
  { about: link, load: async () => (await import('./blocks/link')).link },
  { about: quote, load: async () => (await import('./blocks/quote')).quote },
  { about: figure, load: async () => (await import('./blocks/figure')).figure },
  { about: progress, load: async () => (await import('./blocks/progress')).progress },
  { about: still, load: async () => (await import('./blocks/still')).still },
  { about: separator, load: async () => (await import('./blocks/separator')).separator },
  { about: video, load: async () => (await import('./blocks/video')).video },
  { about: embed, load: async () => (await import('./blocks/embed')).embed },
  { about: list, load: async () => (await import('./blocks/list')).list },
  { about: stack, load: async () => (await import('./blocks/stack')).stack },
  { about: columns, load: async () => (await import('./blocks/columns')).columns },
  { about: column, load: async () => (await import('./blocks/column')).column },
  { about: layers, load: async () => (await import('./blocks/layers')).layers },
  { about: layer, load: async () => (await import('./blocks/layer')).layer },
  { about: tabs, load: async () => (await import('./widgets/tabs')).tabs },
  { about: accordion, load: async () => (await import('./widgets/accordion')).accordion },
  { about: slider, load: async () => (await import('./widgets/slider')).slider },
  { about: card, load: async () => (await import('./widgets/card')).card },
  { about: gallery, load: async () => (await import('./widgets/gallery')).gallery },
  { about: pinned, load: async () => (await import('./widgets/pinned')).pinned },
  { about: number, load: async () => (await import('./widgets/number')).number },
  { about: dialog, load: async () => (await import('./blocks/dialog')).dialog },
  { about: drawer, load: async () => (await import('./blocks/drawer')).drawer },
  { about: panel, load: async () => (await import('./blocks/panel')).panel }
];

/** Every effect there is, one line each, in the order they are offered. */
const effects: readonly EffectEntry[] = [
  { about: sticky, load: async () => (await import('./effects/sticky')).sticky },
  { about: enter, load: async () => (await import('./effects/enter')).enter },
  { about: drift, load: async () => (await import('./effects/drift')).drift },
  { about: follow, load: async () => (await import('./effects/follow')).follow },
  { about: words, load: async () => (await import('./effects/words')).words },
  { about: sideways, load: async () => (await import('./effects/sideways')).sideways },
  { about: screen, load: async () => (await import('./effects/screen')).screen },
  { about: loop, load: async () => (await import('./effects/loop')).loop },
  { about: collapse, load: async () => (await import('./effects/collapse')).collapse },
  { about: reveal, load: async () => (await import('./effects/reveal')).reveal },
  { about: opens, load: async () => (await import('./effects/opens')).opens },
  { about: wait, load: async () => (await import('./effects/wait')).wait }
];

export const registry = createRegistry(kinds, effects);
