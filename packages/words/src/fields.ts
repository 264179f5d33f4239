import { figure, type Voice } from './lengths.ts';
import { roundExact, type Sum } from '@temnex/core';

const ENDS: Readonly<Record<string, string>> = {
  width: 'width',
  height: 'height',
  left: 'left reveal',
  right: 'right reveal',
  top: 'top reveal',
  bottom: 'bottom reveal',
  across: 'reveal left and right',
  upDown: 'reveal top and bottom',
};

/** A recipe's field as people call it: `mat2.left` is "left reveal of mat 2". */
export function fieldWords(field: string, nameOf?: (layer: string) => string | undefined): string {
  const [layer = '', end = ''] = field.split('.');
  const numbered = /^(mat|panel)(\d+)$/.exec(layer);
  const owner = nameOf?.(layer) ?? (numbered ? `${numbered[1]} ${numbered[2]}` : layer);
  if (field === 'border') return 'printed border';
  if (field === 'at.across') return 'distance across';
  if (field === 'at.upDown') return 'distance up or down';
  return ENDS[end]
    ? `${ENDS[end]} of ${owner === 'print' || owner === 'page' || owner === 'image' ? `the ${owner}` : owner}`
    : owner;
}

/** The sum behind a computed length: `4 + 3⁄16 + 3⁄16 = 4 3⁄8`. */
export function sumWords(sum: Sum, total: number, voice: Voice): string {
  const terms = sum.terms.flatMap((term) => {
    const text = figure(roundExact(term.value, 'nearest'), voice);
    return Array.from({ length: Math.abs(term.times) }, () => ({ minus: term.times < 0, text }));
  });
  const ordered = [...terms.filter((t) => !t.minus), ...terms.filter((t) => t.minus)];
  const line = ordered
    .map((t, i) => (i === 0 ? `${t.minus ? '−' : ''}${t.text}` : `${t.minus ? ' − ' : ' + '}${t.text}`))
    .join('');
  const divided = sum.over > 1 ? `(${line}) ÷ ${sum.over}` : line;
  return `${divided} = ${figure(total, voice)}`;
}
