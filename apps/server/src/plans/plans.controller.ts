import { Body, Controller, Get, Inject, Param, Post, Query, StreamableFile } from '@nestjs/common';
import { MARKS } from '@temnex/core/length';
import {
  printQuerySchema,
  storePlanSchema,
  storeTogetherSchema,
  togetherQuerySchema,
  type PlanRecord,
  type StorePlan,
  type StoreTogether,
  type Together,
} from '@temnex/contract';
import { drawOrderPages, type PrintPaper } from '@temnex/drawing';
import { validated } from '../http/validated.ts';
import { PagesService } from '../pages/pages.service.ts';
import { renderPdf } from './pdf.ts';
import { PlansService, readStoredJob } from './plans.service.ts';

@Controller('api')
export class PlansController {
  constructor(
    @Inject(PlansService) private readonly plans: PlansService,
    @Inject(PagesService) private readonly pages: PagesService,
  ) {}

  @Get('pages/:id/plan')
  latest(@Param('id') id: string): { plan: PlanRecord | null } {
    this.pages.get(id);
    return { plan: this.plans.latest(id) };
  }

  @Post('pages/:id/plans')
  store(@Param('id') id: string, @Body(validated(storePlanSchema)) body: StorePlan): PlanRecord {
    return this.plans.store(id, body);
  }

  @Get('together')
  together(@Query(validated(togetherQuerySchema)) { pages }: { pages: string[] }): Together {
    const asked = this.plans.together(pages);
    return { ...asked, stored: this.plans.standingTogether(pages, asked.basis) };
  }

  @Post('together')
  storeTogether(@Body(validated(storeTogetherSchema)) body: StoreTogether): PlanRecord {
    return this.plans.storeTogether(body);
  }

  @Get('plans/:id/print.pdf')
  async print(
    @Param('id') id: string,
    @Query(validated(printQuerySchema)) query: { paper: PrintPaper },
  ): Promise<StreamableFile> {
    const record = this.plans.get(id);
    const page = this.pages.get(record.page);
    const job = readStoredJob(record);
    // of several pages the job is called by all of them
    const title = record.together ? job.name : page.document.name;
    const names = new Map(job.pieces.map((p) => [p.id, p.name]));
    const mark = MARKS[page.document.mark];
    const pages = drawOrderPages(
      {
        title,
        plan: record.plan,
        job,
        voice: { mark, figures: 'typeset' },
        pieceName: (piece) => names.get(piece) ?? piece,
        note: record.createdAt.slice(0, 10),
      },
      query.paper,
    );
    const pdf = await renderPdf(pages, title, new Date(record.createdAt));
    return new StreamableFile(pdf, { type: 'application/pdf', disposition: 'inline; filename="cutting-order.pdf"' });
  }
}
