/** Nine pictures of a year at Quillmere Orchard, of different shapes, drawn for the demo. */

const drawing = (width: number, height: number, body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"` +
  ` viewBox="0 0 ${width} ${height}">${body}</svg>`;

const ground = (width: number, height: number, sky: string, grass: string, from: number): string =>
  `<rect width="${width}" height="${height}" fill="${sky}"/>` +
  `<path d="M0 ${from} Q${width / 2} ${from - 40} ${width} ${from} V${height} H0Z" fill="${grass}"/>`;

const dots = (places: readonly (readonly [number, number])[], radius: number, fill: string): string =>
  places.map(([x, y]) => `<circle cx="${x}" cy="${y}" r="${radius}" fill="${fill}"/>`).join('');

const trunk = (x: number, y: number, height: number): string =>
  `<rect x="${x - 8}" y="${y}" width="16" height="${height}" fill="#5a3f30"/>`;

const crown = (x: number, y: number, radius: number, fill: string): string =>
  `<circle cx="${x}" cy="${y}" r="${radius}" fill="${fill}"/>`;

const cask = (x: number, y: number): string =>
  `<rect x="${x}" y="${y}" width="104" height="130" rx="16" fill="#8a5a35"/>` +
  `<path d="M${x} ${y + 32} h104 M${x} ${y + 98} h104" stroke="#3a3430" stroke-width="9"/>`;

const basket = (x: number, y: number, fruit: string): string =>
  dots(
    [
      [x + 26, y],
      [x + 60, y - 8],
      [x + 94, y]
    ],
    22,
    fruit
  ) + `<path d="M${x} ${y + 4} h120 l-16 76 h-88 Z" fill="#b88a4f"/>`;

/** File name → SVG, in the order of the year. */
export const YEAR: Readonly<Record<string, string>> = {
  'first-blossom.svg': drawing(
    420,
    600,
    ground(420, 600, '#d5e6e0', '#6d9a6f', 470) +
      trunk(210, 300, 210) +
      crown(210, 230, 130, '#f3c6cc') +
      crown(140, 280, 80, '#f9e1e3') +
      dots(
        [
          [170, 190],
          [230, 160],
          [270, 230],
          [200, 270],
          [130, 300],
          [250, 300]
        ],
        10,
        '#ffffff'
      )
  ),
  'bees-at-work.svg': drawing(
    480,
    480,
    ground(480, 480, '#f0e5c4', '#7f9a55', 380) +
      `<path d="M140 390 Q130 150 240 140 Q350 150 340 390Z" fill="#d3a449"/>` +
      `<path d="M144 330 H336 M150 270 H330 M164 210 H316" stroke="#a97a2c" stroke-width="10"/>` +
      `<path d="M214 390 v-36 a26 26 0 0 1 52 0 v36Z" fill="#4a3527"/>` +
      dots(
        [
          [90, 200],
          [390, 160],
          [410, 280],
          [110, 320]
        ],
        9,
        '#2d2a26'
      )
  ),
  'rows-in-june.svg': drawing(
    640,
    360,
    ground(640, 360, '#d7e8ee', '#5b8a4a', 250) +
      [70, 200, 330, 460, 590].map((x) => trunk(x, 200, 70) + crown(x, 170, 58, '#3f7a4c')).join('')
  ),
  'noon-shade.svg': drawing(
    400,
    520,
    ground(400, 520, '#e3efe9', '#4f7d59', 420) +
      crown(200, 170, 150, '#3f7a4c') +
      crown(110, 240, 80, '#5c9a63') +
      trunk(200, 290, 150) +
      `<path d="M70 470 h260 M100 470 v34 M300 470 v34" stroke="#8a6141" stroke-width="16" stroke-linecap="round"/>`
  ),
  'windfalls.svg': drawing(
    480,
    400,
    ground(480, 400, '#eedfc8', '#7d8446', 210) +
      dots(
        [
          [90, 300],
          [180, 340],
          [270, 290],
          [360, 330]
        ],
        34,
        '#b23a2a'
      ) +
      dots(
        [
          [140, 270],
          [320, 260],
          [420, 280]
        ],
        24,
        '#c9853a'
      )
  ),
  'baskets-full.svg': drawing(
    640,
    420,
    ground(640, 420, '#efe0c2', '#8b8a5c', 270) +
      basket(60, 260, '#b23a2a') +
      basket(260, 280, '#a9b04a') +
      basket(460, 260, '#c9853a')
  ),
  'press-day.svg': drawing(
    400,
    600,
    `<rect width="400" height="600" fill="#ddd3bb"/><path d="M0 500 H400 V600 H0Z" fill="#6d5a44"/>` +
      `<path d="M80 120 h240 v40 h-240Z M100 160 v340 M300 160 v340"` +
      ` fill="#5a3f30" stroke="#5a3f30" stroke-width="26"/>` +
      `<rect x="186" y="60" width="28" height="240" fill="#8d8c86"/>` +
      `<rect x="120" y="290" width="160" height="34" fill="#4a3527"/>` +
      `<rect x="132" y="324" width="136" height="150" fill="#b88a4f"/>` +
      `<path d="M132 360 h136 M132 400 h136 M132 440 h136" stroke="#8a6141" stroke-width="8"/>`
  ),
  'the-cellar.svg': drawing(
    520,
    440,
    `<rect width="520" height="440" fill="#3a3430"/><path d="M0 380 H520 V440 H0Z" fill="#231f1c"/>` +
      `<path d="M0 160 Q260 -60 520 160 V0 H0Z" fill="#5b524a"/>` +
      cask(70, 250) +
      cask(208, 250) +
      cask(346, 250) +
      crown(260, 140, 18, '#f3c98a')
  ),
  'wassail-lanterns.svg': drawing(
    640,
    400,
    ground(640, 400, '#243247', '#e8edef', 310) +
      [110, 320, 530].map((x) => trunk(x, 200, 120) + crown(x, 190, 64, '#5b5148')).join('') +
      dots(
        [
          [110, 210],
          [200, 250],
          [320, 210],
          [430, 250],
          [530, 210]
        ],
        13,
        '#f3c98a'
      )
  )
};
