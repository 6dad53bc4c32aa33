/** Pictures of Quillmere Orchard, drawn for the demo. All 600 × 400. */

interface Season {
  readonly sky: string;
  readonly sun: string;
  readonly hill: string;
  readonly grass: string;
  readonly crown: string;
  readonly crownLight: string;
  /** Dots in the crowns: blossom, fruit or snow. */
  readonly dots: string | null;
  readonly snow?: boolean;
}

const SEASONS: Readonly<Record<string, Season>> = {
  blossom: {
    sky: '#cfe3dc',
    sun: '#f4d58d',
    hill: '#7da982',
    grass: '#4f7d59',
    crown: '#f3c6cc',
    crownLight: '#f9e1e3',
    dots: '#ffffff'
  },
  summer: {
    sky: '#d7e8ee',
    sun: '#f2b950',
    hill: '#8fb06d',
    grass: '#5b8a4a',
    crown: '#3f7a4c',
    crownLight: '#5c9a63',
    dots: null
  },
  harvest: {
    sky: '#eedfc8',
    sun: '#e58f4f',
    hill: '#b5a05c',
    grass: '#7d8446',
    crown: '#5f7c41',
    crownLight: '#87984f',
    dots: '#b23a2a'
  },
  wassail: {
    sky: '#2c3c52',
    sun: '#f0e6c8',
    hill: '#cfd8dd',
    grass: '#e8edef',
    crown: '#5b5148',
    crownLight: '#74685d',
    dots: '#f3c98a',
    snow: true
  }
};

const TREES = [70, 180, 300, 420, 530] as const;

function tree(x: number, season: Season, index: number): string {
  const y = 268 + (index % 2) * 18;
  const dots = season.dots
    ? [
        [-22, -6],
        [4, -24],
        [24, -2],
        [-6, 10],
        [14, 14]
      ]
        .map(([dx, dy]) => `<circle cx="${x + dx!}" cy="${y + dy!}" r="4.5" fill="${season.dots}"/>`)
        .join('')
    : '';
  const snow = season.snow
    ? `<path d="M${x - 40} ${y - 8} Q${x} ${y - 66} ${x + 40} ${y - 8} Q${x} ${y - 34} ${x - 40} ${y - 8}Z" fill="#ffffff"/>`
    : '';
  return (
    `<rect x="${x - 6}" y="${y + 20}" width="12" height="46" fill="#5a3f30"/>` +
    `<circle cx="${x}" cy="${y}" r="42" fill="${season.crown}"/>` +
    `<circle cx="${x - 20}" cy="${y + 12}" r="26" fill="${season.crownLight}"/>` +
    `<circle cx="${x + 22}" cy="${y + 10}" r="24" fill="${season.crown}"/>${dots}${snow}`
  );
}

function seasonPicture(season: Season): string {
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="400" viewBox="0 0 600 400">` +
    `<rect width="600" height="400" fill="${season.sky}"/><circle cx="470" cy="90" r="46" fill="${season.sun}"/>` +
    `<path d="M0 290 Q160 220 330 268 T600 236 V400 H0Z" fill="${season.hill}"/>` +
    `<path d="M0 336 Q220 296 600 330 V400 H0Z" fill="${season.grass}"/>${TREES.map((x, i) => tree(x, season, i)).join('')}</svg>`
  );
}

function pressHouse(): string {
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="400" viewBox="0 0 600 400">` +
    `<rect width="600" height="400" fill="#e6e3d3"/><path d="M0 330 H600 V400 H0Z" fill="#8b8a5c"/>` +
    `<path d="M90 180 L300 76 L510 180Z" fill="#8c3f2c"/><rect x="116" y="180" width="368" height="156" fill="#d9c7a3"/>` +
    `<rect x="250" y="220" width="100" height="116" fill="#4a3527"/><rect x="150" y="212" width="60" height="52" fill="#34505a"/>` +
    `<rect x="390" y="212" width="60" height="52" fill="#34505a"/><circle cx="300" cy="142" r="22" fill="#efe6d2"/>` +
    `<rect x="60" y="292" width="46" height="56" rx="8" fill="#6d4a2f"/><rect x="60" y="304" width="46" height="5" fill="#2d2a26"/>` +
    `<rect x="60" y="330" width="46" height="5" fill="#2d2a26"/><circle cx="520" cy="338" r="12" fill="#b23a2a"/>` +
    `<circle cx="542" cy="340" r="11" fill="#c9853a"/><circle cx="531" cy="322" r="11" fill="#a9b04a"/></svg>`
  );
}

/** File name → SVG. */
export const pictures: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    Object.entries(SEASONS).map(([name, season]) => [`orchard-${name}.svg`, seasonPicture(season)])
  ),
  'press-house.svg': pressHouse()
};
