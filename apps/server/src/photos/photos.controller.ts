import {
  Body,
  Controller,
  Get,
  Headers,
  HttpCode,
  Inject,
  Param,
  Patch,
  Post,
  Query,
  Res,
  StreamableFile,
} from '@nestjs/common';
import type { Response } from 'express';
import {
  changePhotosSchema,
  photoImageQuerySchema,
  photoSheetsSchema,
  removePhotosSchema,
  uploadPhotoQuerySchema,
  type ChangePhotos,
  type PhotoImageQuery,
  type PhotoSheets,
  type Photos,
  type RemovePhotos,
  type UploadPhotoQuery,
  type UploadedPhoto,
} from '@temnex/contract';
import type { Photo } from '@temnex/core/photos';
import { validated } from '../http/validated.ts';
import { PhotoSheetsService } from './photoSheets.service.ts';
import { PhotosService } from './photos.service.ts';

@Controller('api/photos')
export class PhotosController {
  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(PhotoSheetsService) private readonly sheetMaker: PhotoSheetsService,
  ) {}

  @Get()
  all(): Photos {
    return this.photos.all();
  }

  @Post()
  take(
    @Body() body: unknown,
    @Query(validated(uploadPhotoQuerySchema)) { id, name }: UploadPhotoQuery,
    @Headers('content-type') said: string | undefined,
  ): Promise<UploadedPhoto> {
    return this.photos.take(body, said, id, name);
  }

  @Patch()
  change(@Body(validated(changePhotosSchema)) change: ChangePhotos): { photos: Photo[] } {
    return { photos: this.photos.change(change) };
  }

  @Post('remove')
  @HttpCode(204)
  remove(@Body(validated(removePhotosSchema)) { id, photos }: RemovePhotos): void {
    this.photos.remove(photos, id);
  }

  @Post('sheets')
  @HttpCode(200)
  async sheets(@Body(validated(photoSheetsSchema)) sheets: PhotoSheets): Promise<StreamableFile> {
    const { data, type } = await this.sheetMaker.make(sheets);
    return new StreamableFile(data, { type });
  }

  @Get('files/:file')
  async image(
    @Param('file') file: string,
    @Query(validated(photoImageQuerySchema)) { side = 'large' }: PhotoImageQuery,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile> {
    const image = await this.photos.image(file, side);
    // its name is made from its content: it never changes
    response.setHeader('cache-control', 'private, max-age=31536000, immutable');
    return new StreamableFile(image, { type: 'image/jpeg' });
  }
}
