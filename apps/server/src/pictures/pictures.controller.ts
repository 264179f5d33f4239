import { Body, Controller, Get, Inject, Param, Post, Query, Res, StreamableFile } from '@nestjs/common';
import type { Response } from 'express';
import { pictureQuerySchema, type PaperPicture, type PictureQuery } from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { PicturesService } from './pictures.service.ts';

@Controller('api/pictures')
export class PicturesController {
  constructor(@Inject(PicturesService) private readonly pictures: PicturesService) {}

  @Post('papers')
  ofPaper(@Body() body: unknown): Promise<PaperPicture> {
    return this.pictures.ofPaper(body);
  }

  @Get(':file')
  async one(
    @Param('file') file: string,
    @Query(validated(pictureQuerySchema)) { turn }: PictureQuery,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile> {
    const picture = await this.pictures.one(file, Number(turn ?? 0));
    // its name is made from its content: it never changes
    response.setHeader('cache-control', 'private, max-age=31536000, immutable');
    return new StreamableFile(picture, { type: 'image/webp' });
  }
}
