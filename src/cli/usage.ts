/** A command: how it is called, what it does, and what it takes. */
interface Usage {
  readonly call: string;
  readonly does: string;
  readonly options: Readonly<Record<string, string>>;
}

/** Every command, by its name. */
const USAGES: Readonly<Record<string, Usage>> = {
  export: {
    call: 'export FILE --out DIR [--page ID] [--single] [--snippet ID [--look page|site] [--root PX]] [--minify]',
    does: 'Writes the pages of a project file as HTML, CSS and script, with their pictures.',
    options: {
      '--out DIR': 'the folder to write into; made where it is missing',
      '--page ID': 'one page only, by its id',
      '--single': 'one HTML file for each page, with everything inside',
      '--snippet ID': 'one piece only, as a text to paste into any site',
      '--look page|site': 'type, colour and ground of the snippet: of its page, or of the site it goes into',
      '--root PX': 'root type size of that site, what 1rem is there; 16 where it is not said',
      '--minify': 'the script without comments and white space'
    }
  },
  check: {
    call: 'check FILE [--sweep] [--json | --sarif]',
    does: 'Says what is wrong with a project, worst first. Exit code 1 where there are errors.',
    options: {
      '--sweep': 'lays every page out at all widths first; needs Chromium, named in CHROMIUM or found',
      '--json': 'findings as JSON',
      '--sarif': 'findings as a SARIF 2.1.0 log'
    }
  },
  refresh: {
    call: 'refresh FILE [--from NAME=TABLE]... [--out FILE]',
    does: 'Takes the rows of its sources anew and writes the project file. Exit code 1 where one cannot be read.',
    options: {
      '--from NAME=TABLE': 'a new CSV or JSON file for the source of that name',
      '--out FILE': 'another file to write'
    }
  },
  sheet: {
    call: 'sheet FILE --out DIR [--page ID] [--piece ID] [--sweep]',
    does: 'Writes the specification of each page, as an HTML page to print and as CSV.',
    options: {
      '--out DIR': 'the folder to write into; made where it is missing',
      '--page ID': 'one page only, by its id',
      '--piece ID': 'one piece only, with what is in it',
      '--sweep': 'with what happens over all widths; needs Chromium'
    }
  },
  publish: {
    call: 'publish FILE --to NAME',
    does: 'Publishes all pages to the host on this machine, all at once.',
    options: { '--to NAME': 'what the site is called in its address' }
  },
  tokens: {
    call: 'tokens FILE [--out FILE]',
    does: 'Writes its tokens as a design-tokens file (Design Tokens Format Module).',
    options: { '--out FILE': 'the file to write; left out, it is printed' }
  }
};

const COLUMN = 20;

const optionLine = ([option, what]: readonly [string, string]): string =>
  `    ${option.padEnd(COLUMN)} ${what}`;

function usageOf(name: string, { does, options }: Usage): string {
  const lines = Object.entries(options).map(optionLine);
  return [`  ${name.padEnd(9)}${does}`, ...lines].join('\n');
}

/** How the commands are called; one of them, or all. */
export function usage(command?: string): string {
  const asked = Object.entries(USAGES).filter(([name]) => command === undefined || name === command);
  const calls = asked.map(([, { call }]) => `  npm run kymation -- ${call}`);
  return ['Usage:', ...calls, '', asked.map(([name, each]) => usageOf(name, each)).join('\n\n')].join('\n');
}
