// ./rung figures: every figure on contact sheets, 20 on each, both ends and three steps between.
//   node support/figures/sheets.mjs FIGURES.json FOLDER [untitled]
// FIGURES.json holds what support/figures/drawn.php wrote. Without titles the sheets show whether a figure can be named by
// somebody who does not know what it is.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';

import { chromium } from '@playwright/test';

const [file, folder, untitled] = process.argv.slice(2);
const A_SHEET = 20;
const LEVELS = [0, 0.25, 0.5, 0.75, 1];
const SMALL = 96;

const all = JSON.parse(readFileSync(file, 'utf8'));
const asked = all.flatMap(({ figure }) => [
  { figure, mirrored: false, levels: LEVELS },
  { figure, mirrored: false, levels: [figure.still], isSmall: true },
]);
const drawn = spawnSync('node', ['public/build/stills.mjs'], { input: JSON.stringify(asked), maxBuffer: 1 << 28 });
if (drawn.status !== 0) throw new Error(drawn.stderr.toString());
const pictures = JSON.parse(drawn.stdout.toString());

const escape = (words) => words.replace(/[&<>]/g, (one) => `&#${one.charCodeAt(0)};`);
const cell = ({ title, words }, i) =>
  `<section><h2>${untitled === undefined ? escape(title) : i + 1}</h2><div>${pictures[2 * i].map((svg) => `<i>${svg}</i>`).join('')}<i class="small">${pictures[2 * i + 1][0]}</i></div>${untitled === undefined ? `<p>${escape(words)}</p>` : ''}</section>`;
const STYLE = `body{margin:0;padding:12px;width:1576px;background:#fffcf5;color:#23261f;font:13px/1.3 sans-serif;display:grid;grid-template-columns:1fr 1fr;gap:8px 16px}
section{border-top:1px solid #ddd4c2;padding-top:4px}h2{font-size:14px;margin:0}p{margin:2px 0 0;color:#595b50}div{display:flex;gap:4px;align-items:end}i{width:130px;height:130px}i.small{width:${SMALL}px;height:${SMALL}px}svg{display:block;width:100%;height:100%}`;

mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1600, height: 900 }, deviceScaleFactor: 0.8 });
for (let from = 0, sheet = 1; from < all.length; from += A_SHEET, sheet++) {
  const cells = all
    .slice(from, from + A_SHEET)
    .map((one, i) => cell(one, from + i))
    .join('');
  await page.setContent(`<!doctype html><meta charset="utf-8"><style>${STYLE}</style>${cells}`);
  await page.screenshot({ path: `${folder}/figures-${sheet}.png`, fullPage: true });
}
await browser.close();
console.log(`${all.length} figures on ${Math.ceil(all.length / A_SHEET)} sheets in ${folder}`);
