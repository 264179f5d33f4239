import { Body, Controller, HttpCode, Post, StreamableFile } from '@nestjs/common';
import { MARKS, parseLength } from '@temnex/core/length';
import { recipeOf } from '@temnex/core/recipes';
import { issueFromZod } from '@temnex/core/planner';
import { templatesSchema, type TemplatesRequest } from '@temnex/contract';
import { drawTemplatePages, collectTemplates } from '@temnex/drawing';
import {
  TERMINAL,
  describeIssue,
  describeLengthProblem,
  formatPath,
  describeRecipeProblem,
  recipeText,
} from '@temnex/words';
import { validated } from '../http/validated.ts';
import { RequestRefusal } from '../http/requestRefusal.ts';
import { renderPdf } from './pdf.ts';

/** Outlines at true size, worked out anew from what the construction is given. */
@Controller('api')
export class TemplatesController {
  @Post('templates.pdf')
  @HttpCode(200)
  async print(@Body(validated(templatesSchema)) body: TemplatesRequest): Promise<StreamableFile> {
    const recipe = recipeOf(body.recipe);
    const read = recipe.input.safeParse(body.input);
    if (!read.success) {
      const { path, problem } = issueFromZod(read.error.issues[0]!);
      const issue = { path: ['input', ...path], problem };
      throw new RequestRefusal('bad-input', describeIssue(issue, TERMINAL), { field: formatPath(issue.path) });
    }
    const mark = MARKS[body.mark];
    const voice = { mark, figures: 'typeset' } as const;
    const lengthOf = (field: 'width' | 'height') => {
      const length = parseLength(body[field], mark.unit);
      if (!length.ok)
        throw new RequestRefusal('bad-input', `${field}: ${describeLengthProblem(length.problem, voice)}`, { field });
      return length.value.ticks;
    };
    const room = { width: lengthOf('width'), height: lengthOf('height'), seams: [] };
    const solved = recipe.solve(read.data, { unit: mark.unit, mark, room });
    if (solved.status === 'refused')
      throw new RequestRefusal('bad-input', `${describeRecipeProblem(body.recipe, solved.problems[0]!, voice)}`);
    const { title } = recipeText(body.recipe);
    const pages = drawTemplatePages(collectTemplates(body.recipe, solved.laid, voice), title, body.paper);
    if (!pages.length) throw new RequestRefusal('bad-input', 'Nothing of it is cut along an outline.');
    const pdf = await renderPdf(pages, title, new Date());
    return new StreamableFile(pdf, { type: 'application/pdf', disposition: 'inline; filename="templates.pdf"' });
  }
}
