import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  Post,
  Put,
  Query,
  StreamableFile,
} from '@nestjs/common';
import { derivePage, migratePage } from '@temnex/core/page';
import { drawPageOnPaper } from '@temnex/drawing';
import { DEFAULT_NAMES } from '@temnex/words';
import {
  createPageSchema,
  pagePrintQuerySchema,
  savePageSchema,
  type CreatePage,
  type PagePrintQuery,
  type PageRecord,
  type PageSummary,
  type SavePage,
} from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { PhotosService } from '../photos/photos.service.ts';
import { renderPdf } from '../plans/pdf.ts';
import { PagesService } from './pages.service.ts';

/** A page may come from a file of an earlier version. */
const upToDate = (body: unknown): unknown =>
  typeof body === 'object' && body !== null && 'document' in body
    ? { ...body, document: migratePage(body.document) }
    : body;

@Controller('api/pages')
export class PagesController {
  constructor(
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(PhotosService) private readonly photos: PhotosService,
  ) {}

  @Get()
  list(): PageSummary[] {
    return this.pages.list();
  }

  @Post()
  create(@Body(validated(createPageSchema, upToDate)) body: CreatePage): PageRecord {
    return this.pages.create(body);
  }

  @Get(':id')
  get(@Param('id') id: string): PageRecord {
    return this.pages.get(id);
  }

  @Get(':id/print.pdf')
  async print(
    @Param('id') id: string,
    @Query(validated(pagePrintQuerySchema)) { paper, scale, photos, items }: PagePrintQuery,
  ): Promise<StreamableFile> {
    const { document, updatedAt } = this.pages.get(id);
    const derived = derivePage(document, DEFAULT_NAMES);
    const pages = drawPageOnPaper(
      derived,
      {
        title: document.name,
        voice: { mark: derived.mark, figures: 'typeset' },
        scale: scale === 'true' ? 1 : 0.5,
        photos: { none: 0, light: 0.35, full: 1 }[photos],
        chosen: items?.split(' ') ?? null,
      },
      paper,
    );
    const files = new Set(pages.flatMap(({ marks }) => marks.flatMap((m) => (m.kind === 'photo' ? [m.file] : []))));
    const pictures = new Map<string, Buffer>();
    // a photo whose file is gone is left white
    for (const file of files) {
      const picture = await this.photos.image(file, 'large').catch(() => null);
      if (picture) pictures.set(file, picture);
    }
    const pdf = await renderPdf(pages, document.name, new Date(updatedAt), pictures);
    return new StreamableFile(pdf, { type: 'application/pdf', disposition: 'inline; filename="page.pdf"' });
  }

  @Put(':id')
  save(@Param('id') id: string, @Body(validated(savePageSchema, upToDate)) body: SavePage): PageRecord {
    return this.pages.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string): void {
    this.pages.remove(id);
  }
}
