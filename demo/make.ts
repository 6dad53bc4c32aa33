import type { ConditionName, StateName } from '../src/core/project/types';
import { counterPeople } from './people';
import { questionsPage } from './questions';
import { shopPage } from './shop';
import { storyPage } from './story';
import { varietiesPage } from './varieties';
import { readFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { strToU8 } from 'fflate';
import sharp from 'sharp';
import { TONE_GRID, tonesOf, withTones } from '../src/core/colour/tones';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { readAsset } from '../src/core/formats/picture';
import { writeProjectFile } from '../src/core/formats/project-file';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import { trackOf } from '../src/core/motion/track';
import type {
  Asset,
  AssetId,
  Fragment,
  Json,
  NodeId,
  PageId,
  Project,
  ProjectId,
  Token,
  TokenId
} from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { findIcons } from '../src/server/icons';
import { pictures } from './pictures';
import { compact, defined } from '../src/core/data/compact';

const make = makeWith({ exactIds: true });

/** A packaged icon; `isFilled` gives the one for a chosen tab. */
function sign(name: string, isFilled = false): Json {
  const icon = findIcons(name, 1)[0];
  if (!icon) throw new Error(`makeDemo: no icon ${name}`);
  const nodes = icon.nodes.map(([tag, attributes]) => [
    tag,
    isFilled ? { ...attributes, fill: 'currentColor' } : attributes
  ]);
  return { name: isFilled ? `${icon.name} filled` : icon.name, nodes } as unknown as Json;
}
/** Bubbles rise over three casks: drawn for the demo, four seconds that go round. */
const FILM = 'cellar-ticks.webm';
const SERIF = 'Georgia, "Times New Roman", serif';

/** The demo project, made by the same commands that the interface gives. */
export function makeDemo(): { project: Project; bytes: Map<AssetId, Uint8Array> } {
  const bytes = new Map<AssetId, Uint8Array>();
  let project = createProject('Quillmere Orchard', make('page', 'Visit page', {}, { sections: [] }), {
    project: 'quillmere-orchard' as ProjectId,
    page: 'visit' as PageId
  });
  project = {
    ...project,
    pages: {
      visit: {
        ...project.pages['visit' as PageId]!,
        name: 'Visit page',
        title: 'Visit Quillmere Orchard',
        description: 'Four seasons to see at a heritage orchard and press house.'
      }
    } as Project['pages']
  };

  const run = (command: Command) => {
    const outcome = apply(registry, project, command);
    if (!outcome.ok) throw new Error(`makeDemo: ${command.type}: ${outcome.refusal.sentence}`);
    project = outcome.project;
  };
  for (const [file, svg] of Object.entries(pictures)) {
    const picture = readAsset(strToU8(svg), file);
    if (!picture.ok) throw new Error(picture.sentence);
    const id = file.replace('.svg', '') as AssetId;
    const { type, width, height } = picture;
    bytes.set(id, picture.bytes);
    run({
      type: 'add-asset',
      asset: { id, file, type, width, height, bytes: picture.bytes.length } satisfies Asset
    });
  }
  const film = readAsset(new Uint8Array(readFileSync(join(process.cwd(), 'demo', FILM))), FILM);
  if (!film.ok) throw new Error(film.sentence);
  const filmId = FILM.replace('.webm', '') as AssetId;
  bytes.set(filmId, film.bytes);
  run({
    type: 'add-asset',
    asset: { id: filmId, file: FILM, type: film.type, width: null, height: null, bytes: film.bytes.length }
  });
  const insert = (parent: string, slot: string, fragment: Fragment) =>
    run({ type: 'insert', fragment, at: { parent: parent as NodeId, slot, index: 999 } });
  const style = (
    id: string,
    part: string,
    declarations: Record<string, string>,
    state: StateName = 'rest',
    condition: ConditionName = 'always'
  ) => {
    for (const [property, value] of Object.entries(declarations))
      run({ type: 'set-style', id, part, state, condition, property, value });
  };
  const names = new Set<string>();
  const unique = (name: string) => {
    if (names.has(name)) throw new Error(`makeDemo: the name ${name} stands twice`);
    names.add(name);
    return name;
  };
  const text = (name: string, html: string) => make('text', unique(name), { html });
  const heading = (name: string, words: string, level: string) =>
    make('heading', unique(name), { text: words, level });

  /** The sign of a season while it is chosen; none of its own where the usual one stays. */
  function chosenSign(icon: string): { iconChosen?: ReturnType<typeof sign> } {
    if (icon === 'sun' || icon === 'apple') return { iconChosen: sign(icon, true) };
    return icon === 'flower' ? { iconChosen: sign('flower-2') } : {};
  }

  const season = (
    label: string,
    icon: string,
    title: string,
    html: string,
    alt: string,
    action?: string
  ): Fragment =>
    make(
      'panel',
      unique(label),
      {
        icon: sign(icon),
        ...chosenSign(icon)
      },
      {
        content: [
          make(
            'columns',
            unique(`${label} columns`),
            { shares: '3/5 2/5' },
            {
              columns: [
                make(
                  'column',
                  unique(`${label} words`),
                  {},
                  {
                    content: compact([
                      heading(`${label} heading`, title, '3'),
                      text(`${label} text`, html),
                      action
                        ? make('button', unique(`${label} button`), { label: action, href: '#plan' })
                        : null
                    ])
                  }
                ),
                make(
                  'column',
                  unique(`${label} picture side`),
                  {},
                  {
                    content: [
                      make('image', unique(`${label} picture`), {
                        asset: `orchard-${label.toLowerCase()}`,
                        alt
                      })
                    ]
                  }
                )
              ]
            }
          )
        ]
      }
    );

  insert(
    'visit-page',
    'sections',
    make(
      'section',
      'Header',
      { element: 'header' },
      {
        content: [
          make(
            'stack',
            'Header row',
            { flow: 'row', justify: 'space-between', align: 'center', wrap: false },
            {
              content: [
                text('Site name', '<p><strong>Quillmere</strong></p>'),
                make(
                  'links',
                  'Site links',
                  { element: 'navigation', label: 'Main', align: 'end', foldUnder: 480, spy: true },
                  {
                    links: [
                      make('link', unique('Seasons'), { href: '#plan' }, { links: [] }),
                      make('link', unique('The press'), { href: '#press' }, { links: [] }),
                      make('link', unique('How to find us'), { href: '#find' }, { links: [] })
                    ]
                  }
                )
              ]
            }
          )
        ]
      }
    )
  );
  insert(
    'visit-page',
    'sections',
    make(
      'section',
      'Welcome',
      { anchor: 'welcome' },
      {
        content: [
          heading('Welcome heading', 'An orchard that has kept its old names', '1'),
          text(
            'Welcome text',
            '<p>Eleven acres of standard trees, a press house with a stone mill, and sixty-four kinds of apple, pear and quince. Come when something is happening; something usually is.</p>'
          )
        ]
      }
    )
  );
  insert(
    'visit-page',
    'sections',
    make(
      'section',
      'Plan a visit',
      { anchor: 'plan' },
      {
        content: [
          heading('Plan heading', 'Plan a visit', '2'),
          make(
            'tabs',
            'Season tabs',
            { label: 'Seasons', first: 'blossom', level: '3', equal: true },
            {
              panels: [
                season(
                  'Blossom',
                  'flower',
                  'Late April to mid May',
                  '<p>Eleven acres of standard trees in flower, oldest planted in 1874. The long path opens at nine; bees are at work, so keep to the mown strip.</p><p>Guided rounds leave the press house on the hour.</p>',
                  'Apple trees in pink blossom on a green slope',
                  'Book a round'
                ),
                season(
                  'Summer',
                  'sun',
                  'June to August',
                  '<p>Long grass, shade and picnics. The tasting table stands under the walnut from eleven to four, every day but Monday.</p><ul><li>Bring a rug; there are forty to lend</li><li>Dogs on a lead are welcome</li></ul>',
                  'Apple trees in full leaf under a summer sky'
                ),
                season(
                  'Harvest',
                  'apple',
                  'September to early November',
                  '<p>Pick, sort and press. Bring your own fruit on Saturdays: the small press takes thirty kilos at a time and you go home with the juice.</p>',
                  'Apple trees with red fruit in autumn light',
                  'Reserve the press'
                ),
                season(
                  'Wassail',
                  'snowflake',
                  'The evening of 17 January',
                  '<p>Toast in the branches, cider on the roots, and a good deal of noise to wake the trees. Lanterns are lit at five.</p>',
                  'Bare apple trees in snow, hung with lanterns'
                )
              ]
            }
          )
        ]
      }
    )
  );
  insert(
    'visit-page',
    'sections',
    make(
      'section',
      'Press house',
      { anchor: 'press' },
      {
        content: [
          make(
            'columns',
            'Press columns',
            { shares: '2/5 3/5', align: 'center' },
            {
              columns: [
                make(
                  'column',
                  'Press picture side',
                  {},
                  {
                    content: [
                      make('image', 'Press picture', {
                        asset: 'press-house',
                        alt: 'The press house: a low brick building with a red roof'
                      })
                    ]
                  }
                ),
                make(
                  'column',
                  'Press words',
                  {},
                  {
                    content: [
                      heading('Press heading', 'From tree to glass', '2'),
                      text(
                        'Press text',
                        '<p>The mill turns on Wednesdays and Saturdays. Stand at the rail and watch; ask anything. Write to <a href="mailto:press@quillmere.example">the press house</a> to bring a group.</p>'
                      ),
                      make('button', unique('Press button'), {
                        label: 'See the harvest story',
                        href: 'harvest.html'
                      })
                    ]
                  }
                )
              ]
            }
          )
        ]
      }
    )
  );
  const fact = (name: string, icon: string, title: string, html: string) =>
    make(
      'column',
      unique(`${name} side`),
      {},
      {
        content: [
          make('icon', unique(`${name} icon`), { icon: sign(icon) }),
          heading(`${name} heading`, title, '3'),
          text(`${name} text`, html)
        ]
      }
    );
  insert(
    'visit-page',
    'sections',
    make(
      'section',
      'Find us',
      { anchor: 'find' },
      {
        content: [
          heading('Find heading', 'Find us', '2'),
          make(
            'columns',
            'Find columns',
            {},
            {
              columns: [
                fact(
                  'Lane',
                  'map',
                  'By the lane',
                  '<p>Long Lane leaves the river road at the chapel. The gate is green and usually open.</p>'
                ),
                fact(
                  'Foot',
                  'footprints',
                  'On foot',
                  '<p>The orchard path from Nether Quill takes half an hour, and boots in March.</p>'
                ),
                fact(
                  'Hours',
                  'clock',
                  'When',
                  '<p>Every day but Monday, ten to five. In the press weeks from eight.</p>'
                )
              ]
            }
          ),
          make('separator', 'Find line'),
          make('quote', 'Visitor words', {
            words: '<p>We came for an hour and went home with the evening, two jars and a tree.</p>',
            author: 'A visitor in October'
          })
        ]
      }
    )
  );
  insert(
    'visit-page',
    'sections',
    make(
      'section',
      'Footer',
      { element: 'footer' },
      {
        content: [
          text('Footer text', '<p>Quillmere Orchard, Long Lane, Nether Quill. Open when the gate is.</p>')
        ]
      }
    )
  );

  const harvest = make(
    'page',
    'Harvest page',
    {},
    {
      sections: [
        make(
          'section',
          'Harvest story',
          {},
          {
            content: [
              heading('Harvest story heading', 'Nine weeks of fruit', '1'),
              make('image', 'Harvest story picture', {
                asset: 'orchard-harvest',
                alt: 'Apple trees with red fruit in autumn light'
              }),
              make(
                'tabs',
                'Week tabs',
                { label: 'Weeks', side: 'left', foldUnder: 712, level: '2' },
                {
                  panels: [
                    make(
                      'panel',
                      'Early fruit',
                      {},
                      {
                        content: [
                          text(
                            'Early text',
                            '<p>Soft and gone in a week: Lantern Pippin, Miller’s Blush, the first pears.</p>'
                          )
                        ]
                      }
                    ),
                    make(
                      'panel',
                      'Main crop',
                      {},
                      {
                        content: [
                          text(
                            'Main text',
                            '<p>The long rows. Forty pickers, two carts, one mare who knows the way.</p>'
                          )
                        ]
                      }
                    ),
                    make(
                      'panel',
                      'Late keepers',
                      {},
                      { content: [text('Late text', '<p>Picked hard, stored in straw, eaten in March.</p>')] }
                    )
                  ]
                }
              )
            ]
          }
        ),
        make('section', 'Week by week', {}, { content: [weeks(heading, text)] }),
        make(
          'section',
          'What comes of it',
          {},
          {
            content: [
              heading('Comes heading', 'What comes of it', '2'),
              text('Juice', '<p>Juice, pressed the same afternoon and sold at the gate while it lasts.</p>'),
              text('Cider', '<p>Cider, which has until May to make up its mind.</p>'),
              text('Cake', '<p>Cake, of what the wasps have left; nobody has complained yet.</p>')
            ]
          }
        )
      ]
    }
  );
  run({
    type: 'add-page',
    page: {
      id: 'harvest',
      name: 'Harvest story',
      title: 'The harvest at Quillmere',
      description: 'Nine weeks of fruit, from the first pears to the late keepers.',
      language: 'en-GB',
      root: harvest.root
    },
    fragment: harvest
  });

  const token = (id: string, name: string, type: Token['type'], value: string) =>
    run({ type: 'set-token', token: { id: id as TokenId, name, type, value } });
  token('leaf', 'Leaf', 'colour', '#21362b');
  token('cream', 'Cream', 'colour', '#f6efe0');
  token('cream-deep', 'Cream, deeper', 'colour', '#f0e4cb');
  token('cider', 'Cider', 'colour', '#b0452e');
  token('settle', 'Settle', 'easing', 'spring(0.06)');

  run({ type: 'add-effect', id: 'weeks-side', effect: 'sticky' });
  run({ type: 'set-setting', id: 'weeks-side', key: 'sticky-on', value: false, condition: 'narrow' });
  run({ type: 'add-effect', id: 'what-comes-of-it', effect: 'enter' });

  const track = (key: string, value: Parameters<typeof trackOf>[0]) =>
    run({ type: 'set-setting', id: 'season-tabs', key, value: trackOf(value) });
  track('out', { ms: 120, easing: 'ease-in' });
  track('enter', { form: 'fade', ms: 240, delay: 120, easing: 'ease-out' });
  track('rise', { form: 'rise', ms: 120, delay: 144, easing: 'spring(0.06)', step: 60 });
  run({
    type: 'set-setting',
    id: 'season-tabs',
    key: 'enter',
    condition: 'narrow',
    value: trackOf({ form: 'slide', ms: 200, easing: 'ease-out' })
  });

  for (const page of ['visit-page', 'harvest-page']) {
    style(page, 'root', {
      'background-color': '#fffdf6',
      color: '#2b2f2a',
      'font-family': '"Segoe UI", "Helvetica Neue", Arial, sans-serif',
      'font-size': '17px'
    });
  }
  style('header', 'root', { 'background-color': '{leaf}', color: '#f4ebd8', padding: '14px 24px' });
  style('site-name', 'root', { 'font-family': SERIF, 'font-size': '20px' });
  style('welcome', 'root', { 'background-color': '{cream}' });
  style('welcome-text', 'root', { 'font-size': '19px' });
  style('footer', 'root', { 'background-color': '{leaf}', color: '#e9dfc8', padding: '28px 24px' });
  style('footer-text', 'root', { 'font-size': '15px' });
  style('site-links', 'link', { color: '#f4ebd8', 'font-size': '15px' });
  style('site-links', 'link', { color: '#ffffff', 'text-decoration-line': 'underline' }, 'hover');
  style('site-links', 'link', { outline: '2px solid #f4ebd8' }, 'focus');
  style('site-links', 'menu', { color: '#f4ebd8', 'border-color': '#f4ebd8' });
  style('site-links', 'menu', { 'background-color': '#3a5648' }, 'hover');
  style('site-links', 'menu', { outline: '2px solid #f4ebd8' }, 'focus');
  style('site-links', 'menu', { 'background-color': '{cream}', color: '{leaf}' }, 'selected');
  style('find-us', 'root', { 'background-color': '{cream}' });
  for (const id of ['lane-icon', 'foot-icon', 'hours-icon']) style(id, 'root', { color: '{cider}' });
  style('visitor-words', 'root', { 'border-color': '{cider}' });
  style('visitor-words', 'words', { 'font-family': SERIF });
  for (const id of [
    'welcome-heading',
    'plan-heading',
    'press-heading',
    'find-heading',
    'harvest-story-heading',
    'weeks-heading',
    'comes-heading'
  ])
    style(id, 'root', { 'font-family': SERIF, 'font-weight': '700', 'font-size': '32px', color: '#1d2a22' });
  for (const id of ['welcome-heading', 'harvest-story-heading']) {
    style(id, 'root', { 'font-size': '44px' });
    style(id, 'root', { 'font-size': '32px' }, 'rest', 'narrow');
  }
  for (const label of ['blossom', 'summer', 'harvest', 'wassail', 'lane', 'foot', 'hours'])
    style(`${label}-heading`, 'root', {
      'font-family': SERIF,
      'font-size': '22px',
      'font-weight': '700',
      color: '#1d2a22'
    });
  for (const id of [
    'blossom-picture',
    'summer-picture',
    'harvest-picture',
    'wassail-picture',
    'press-picture',
    'harvest-story-picture'
  ])
    style(id, 'root', { 'border-radius': '6px' });
  style('season-tabs', 'list', { 'border-color': '{leaf}' });
  for (const part of ['tab', 'header']) {
    style(
      'season-tabs',
      part,
      defined({
        'background-color': '{cream}',
        color: '#40362a',
        'border-radius': part === 'tab' ? '6px 6px 0 0' : undefined
      })
    );
    style('season-tabs', part, { 'background-color': '{cream-deep}', color: '#5b4312' }, 'hover');
    style('season-tabs', part, { 'background-color': '#e3d2ae', translate: '0 1px' }, 'pressed');
    style('season-tabs', part, { 'background-color': '{leaf}', color: '#f4ebd8' }, 'selected');
  }
  style('season-tabs', 'panel', { padding: '24px 0' });
  for (const id of ['blossom-button', 'harvest-button', 'press-button']) {
    style(id, 'root', { 'background-color': '{cider}', color: '#ffffff' });
    style(id, 'root', { 'background-color': '#953823' }, 'hover');
    style(id, 'root', { 'background-color': '#7b2d1b' }, 'pressed');
  }
  questionsPage().forEach(run);
  varietiesPage().forEach(run);
  storyPage().forEach(run);
  shopPage().forEach(run);
  counterPeople().forEach(run);
  return { project, bytes };
}

/** A side that stays in sight beside the story of nine weeks. */
function weeks(
  heading: (name: string, words: string, level: string) => Fragment,
  text: (name: string, html: string) => Fragment
): Fragment {
  const told = [
    '<p>Week one is pears, picked by hand into straw, because they bruise if one looks at them.</p>',
    '<p>Weeks two and three belong to the Lantern Pippin. It is ready on a Tuesday and over by the Sunday, and nothing has ever persuaded it otherwise.</p>',
    '<p>In week four the carts come out. The mare knows the rows better than the drivers do, and stops by herself where the baskets stand.</p>',
    '<p>Weeks five and six are the long rows. Forty people, eleven acres, and a kettle at each end.</p>',
    '<p>Week seven it rains. It always does; the mill turns, and everybody learns to press.</p>',
    '<p>In week eight the keepers come in, hard as stones, to be forgotten in the loft until March.</p>',
    '<p>Week nine is for the ladders, the leaves, and the last apple of each tree, which is left for the birds.</p>'
  ];
  const side = [
    heading('Weeks heading', 'Week by week', '2'),
    text('Weeks words', '<p>It stays beside you while you read.</p>')
  ];
  const story = told.map((words, i) => text(`Week ${i + 1}`, words));
  return make(
    'columns',
    'Weeks columns',
    { shares: '1/3 2/3' },
    {
      columns: [
        make('column', 'Weeks side', {}, { content: side }),
        make('column', 'Weeks story', {}, { content: story })
      ]
    }
  );
}

/** The demo as a file. Its pictures’ tones are in it, so that the first start need not read them. */
export async function demoFile(): Promise<{ project: Project; file: Uint8Array }> {
  const { project: made, bytes } = makeDemo();
  const { width, height } = TONE_GRID;
  const project = await withTones(made, async ({ id }) => {
    // Drawn at its own size first: brought down while it is drawn, a drawing leaves a seam at its edge.
    const drawn = await sharp(bytes.get(id)!).png().toBuffer();
    return tonesOf(await sharp(drawn).resize(width, height, { fit: 'fill' }).ensureAlpha().raw().toBuffer());
  });
  return { project, file: writeProjectFile(project, bytes) };
}

if (process.argv[1]?.endsWith('make.ts')) {
  const { project, file: bytes } = await demoFile();
  const file = fileURLToPath(new URL('./orchard.kymation', import.meta.url));
  await writeFile(file, bytes);
  console.log(
    `${file}: ${Object.keys(project.nodes).length} nodes, ${Object.keys(project.assets).length} pictures`
  );
}
