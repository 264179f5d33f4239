import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import type { Page } from '@temnex/core';
import { createPageSchema, savePageSchema, type PageRecord, type PageSummary, type SavePage } from '@temnex/contract';
import { checked } from '../http/checked.ts';
import { PagesService } from './pages.service.ts';

@Controller('api/pages')
export class PagesController {
  constructor(@Inject(PagesService) private readonly pages: PagesService) {}

  @Get()
  list(): PageSummary[] {
    return this.pages.list();
  }

  @Post()
  create(@Body(checked(createPageSchema)) body: { document: Page }): PageRecord {
    return this.pages.create(body.document);
  }

  @Get(':id')
  get(@Param('id') id: string): PageRecord {
    return this.pages.get(id);
  }

  @Put(':id')
  save(@Param('id') id: string, @Body(checked(savePageSchema)) body: SavePage): PageRecord {
    return this.pages.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string): void {
    this.pages.remove(id);
  }
}
