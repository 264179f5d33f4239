import { sayRecipe, recipeOf, MARKS, lengthOf, type Table } from '@temnex/core';
import { saidBackWords, saidWords, stockLine } from '@temnex/words';
import { readFileSync } from 'node:fs';
const table: Table = { unit: 'in', mark: MARKS['1/16'], room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] } };
let n=0;
for (const line of readFileSync(process.argv[2]!, 'utf8').split('\n').filter(Boolean)) {
  const text = line.split('=>')[0]!.trim();
  const h = sayRecipe(text, table, () => `id${++n}`);
  if (h?.said.ok) {
    const s = recipeOf(h.recipe).solve(h.said.input as never, h.table);
    const i = JSON.stringify(h.said.input).replace(/"/g,'').replace(/,known:assumed/g,'').slice(0,230);
    const vals = s.status==='solved' ? s.laid.blanks.slice(0,3).map((b)=>`${b.quantity}x ${(b.width/24384).toFixed(4)}x${(b.height/24384).toFixed(4)}`).join('; ') : JSON.stringify(s.problems).slice(0,160);
    console.log(`${text}\n   [${h.recipe}]${h.page?` page ${h.page.width}x${h.page.height}`:''}${h.sheet?` sheet ${h.sheet.width}x${h.sheet.height}`:''} ${i}\n   ${s.status}: ${vals}`);
  } else { const st=stockLine(text,[], 'in'); console.log(`${text}\n   NOT ${h?.recipe}: ${h ? saidWords(h.said as never, {mark: MARKS['1/16'], figures:'plain'}) : 'null'} ${st?`| STOCK ${st.says}`:''}`); }
}
