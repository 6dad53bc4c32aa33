import { YEAR } from './year';

/** Pictures of Quillmere Orchard, drawn for the demo: 600 × 400, and the year’s of different shapes. */

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

/** What someone at the orchard is seen with: a sign on a plain ground. */
const portrait = (ground: string, drawing: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="400" viewBox="0 0 600 400">` +
  `<rect width="600" height="400" fill="${ground}"/><path d="M0 336 H600 V400 H0Z" fill="#00000018"/>${drawing}</svg>`;

const LADDER =
  `<path d="M232 350 L268 60 M368 350 L332 60" stroke="#6d4a2f" stroke-width="16" stroke-linecap="round"/>` +
  `<path d="M240 300 H360 M246 250 H354 M252 200 H348 M258 150 H342 M264 100 H336" stroke="#8a6141" stroke-width="12"/>` +
  `<circle cx="420" cy="330" r="20" fill="#b23a2a"/><circle cx="456" cy="336" r="16" fill="#c9853a"/>`;

const KETTLE =
  `<path d="M210 320 Q200 210 300 206 Q400 210 390 320Z" fill="#40525a"/>` +
  `<path d="M388 250 Q440 240 448 200" stroke="#40525a" stroke-width="18" fill="none" stroke-linecap="round"/>` +
  `<path d="M240 206 Q300 110 360 206" stroke="#2b3a40" stroke-width="12" fill="none"/><circle cx="300" cy="196" r="12" fill="#2b3a40"/>` +
  `<path d="M450 180 Q464 160 450 140 M470 176 Q484 156 470 136" stroke="#ffffff" stroke-width="6" fill="none"/>`;

const MILL =
  `<circle cx="300" cy="220" r="118" fill="#8d8c86"/><circle cx="300" cy="220" r="112" fill="#a9a8a0"/>` +
  `<circle cx="300" cy="220" r="26" fill="#4a3527"/><path d="M300 108 V194 M300 246 V332 M188 220 H274 M326 220 H412" stroke="#7b7a73" stroke-width="8"/>` +
  `<rect x="290" y="60" width="20" height="150" fill="#5a3f30"/>`;

/** File name → SVG. */
export const pictures: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    Object.entries(SEASONS).map(([name, season]) => [`orchard-${name}.svg`, seasonPicture(season)])
  ),
  'press-house.svg': pressHouse(),
  'with-ladder.svg': portrait('#d9e4cf', LADDER),
  'with-kettle.svg': portrait('#f0dcc0', KETTLE),
  'with-mill.svg': portrait('#d5dde0', MILL),
  ...YEAR
};
