import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { Fragment } from '../src/core/project/types';
import { bind, queryOf, source, style, tableOf } from './commands';

const make = makeWith({ exactIds: true });

/** People one meets at the counter, as they keep them in a spreadsheet. */
const PEOPLE = `name,does,picture,here
Ida Fenn,"Runs the press, and the counter beside it",with-mill.svg,yes
Tobias Marrow,Knows where every tree stands,with-ladder.svg,yes
Lena Oakhurst,"Bottles, labels, and the long table",with-kettle.svg,yes
Silvan Crewe,Grafts in March and is away until then,press-day.svg,no
Maud Hollis,Keeps the bees and the meadow,bees-at-work.svg,yes
`;

const team = (): Fragment =>
  make(
    'section',
    'Counter people',
    {},
    {
      content: [
        make('heading', 'People heading', { text: 'Who is at the counter', level: '2' }),
        make(
          'list',
          'People list',
          { columns: 4 },
          {
            content: [
              make(
                'stack',
                'Person',
                {},
                {
                  content: [
                    make('image', 'Person picture', { decorative: true }),
                    make('heading', 'Person name', { text: 'Name', level: '3' }),
                    make('text', 'Person does', { html: '<p>What they do</p>' })
                  ]
                }
              )
            ]
          }
        )
      ]
    }
  );

/** On the questions page: a list from a CSV file, of those who are there. */
export function counterPeople(): readonly Command[] {
  const isHere = { where: [{ column: 'here', is: 'is', value: 'yes' }] } as const;
  return [
    source('people', 'People', 'file', 'people.csv', tableOf(PEOPLE, 'people.csv')),
    {
      type: 'insert',
      fragment: team(),
      at: { parent: 'questions-page', slot: 'sections', index: 999 }
    } as unknown as Command,
    { type: 'set-query', id: 'people-list', query: queryOf('people', isHere, 0) },
    bind('person-picture', 'asset', { column: 'picture' }),
    bind('person-name', 'text', { column: 'name' }),
    bind('person-does', 'html', { column: 'does' }),
    ...style('people-heading', 'root', {
      'font-family': 'Georgia, "Times New Roman", serif',
      'font-weight': '700',
      color: '#1d2a22'
    }),
    ...style('person-name', 'root', { 'font-size': '18px', 'font-weight': '600' })
  ];
}
