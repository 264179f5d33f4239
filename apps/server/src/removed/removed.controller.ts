import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { bareRequestSchema, type BareRequest, type RemovedItem } from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { RemovedService } from './removed.service.ts';

@Controller('api')
export class RemovedController {
  constructor(@Inject(RemovedService) private readonly removed: RemovedService) {}

  @Get('removed')
  list(): RemovedItem[] {
    return this.removed.list();
  }

  @Post('pages/:id/restore')
  @HttpCode(204)
  page(@Param('id') id: string, @Body(validated(bareRequestSchema)) body: BareRequest): void {
    this.removed.page(id, body.id);
  }

  @Post('photos/:id/restore')
  @HttpCode(204)
  photo(@Param('id') id: string, @Body(validated(bareRequestSchema)) body: BareRequest): void {
    this.removed.photo(id, body.id);
  }

  @Post('papers/:id/restore')
  @HttpCode(204)
  paper(@Param('id') id: string, @Body(validated(bareRequestSchema)) body: BareRequest): void {
    this.removed.paper(id, body.id);
  }

  @Post('stock/:id/restore')
  @HttpCode(204)
  stock(@Param('id') id: string, @Body(validated(bareRequestSchema)) body: BareRequest): void {
    this.removed.stock(id, body.id);
  }
}
