import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { migratePage } from '@temnex/core';
import {
  createPageSchema,
  savePageSchema,
  type CreatePage,
  type PageRecord,
  type PageSummary,
  type SavePage,
} from '@temnex/contract';
import { checked } from '../http/checked.ts';
import { PagesService } from './pages.service.ts';

/** A page may come from a file of an earlier version. */
const upToDate = (body: unknown): unknown =>
  typeof body === 'object' && body !== null && 'document' in body
    ? { ...body, document: migratePage(body.document) }
    : body;

@Controller('api/pages')
export class PagesController {
  constructor(@Inject(PagesService) private readonly pages: PagesService) {}

  @Get()
  list(): PageSummary[] {
    return this.pages.list();
  }

  @Post()
  create(@Body(checked(createPageSchema, upToDate)) body: CreatePage): PageRecord {
    return this.pages.create(body);
  }

  @Get(':id')
  get(@Param('id') id: string): PageRecord {
    return this.pages.get(id);
  }

  @Put(':id')
  save(@Param('id') id: string, @Body(checked(savePageSchema, upToDate)) body: SavePage): PageRecord {
    return this.pages.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string): void {
    this.pages.remove(id);
  }
}
