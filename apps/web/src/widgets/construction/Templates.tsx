import { useState } from 'react';
import { MARKS, MARK_NAMES, formatExactLength } from '@temnex/core/length';
import type { TemplatesRequest } from '@temnex/contract';
import { collectTemplates, formatTrueSizeSvg, type PrintPaper, type Template } from '@temnex/drawing';
import { requestFile } from '../../data/client.ts';
import { Quiet } from '../../design/buttons.tsx';
import { saveFile } from '../../data/saveFile.ts';
import { Notice } from '../../design/states.tsx';
import type { ConstructionEditor } from './constructionEditor.ts';

const fileName = ({ name }: Template): string =>
  `${name
    .toLowerCase()
    .replaceAll('⁄', '-')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60)}.svg`;

/** What is cut along an outline, at true size: to print, cut out and trace. */
export function Templates({ made }: { made: ConstructionEditor }) {
  const { laid, recipe, solved, input, table } = made;
  const [wrong, setWrong] = useState<string | null>(null);
  const voice = { mark: table.mark, figures: 'typeset' } as const;
  const templates = solved.status === 'solved' && laid ? collectTemplates(recipe, laid, voice) : [];
  if (!templates.length) return null;
  const print = async (paper: PrintPaper) => {
    const { unit, mark, room } = table;
    const [width, height] = [room.width, room.height].map((t) => `${formatExactLength(t, unit)} ${unit}`);
    const name = MARK_NAMES.find((one) => MARKS[one].unit === mark.unit && MARKS[one].step === mark.step)!;
    const body: TemplatesRequest = { recipe, input, mark: name, width: width!, height: height!, paper };
    try {
      saveFile(await requestFile('/api/templates.pdf', body), 'templates.pdf');
      setWrong(null);
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <div style={{ marginTop: '0.75rem' }}>
      <p style={{ color: 'var(--quiet)' }}>
        {templates.length > 1 ? `${templates.length} templates` : 'A template'} to trace, at true size:
      </p>
      {templates.map((template) => (
        <Quiet
          key={template.name}
          onPress={() =>
            saveFile(new Blob([formatTrueSizeSvg(template, voice)], { type: 'image/svg+xml' }), fileName(template))
          }
        >
          {templates.length > 1 ? `${template.name}, SVG` : 'SVG'}
        </Quiet>
      ))}{' '}
      <Quiet onPress={() => void print('a4')}>PDF on A4</Quiet>{' '}
      <Quiet onPress={() => void print('letter')}>PDF on Letter</Quiet>
      {wrong ? (
        <Notice kind="block">
          <span>{wrong}</span>
        </Notice>
      ) : null}
    </div>
  );
}
