import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import {
  bareRequestSchema,
  cutSchema,
  scrapPieceSchema,
  type BareRequest,
  type CutRequest,
  type CuttingRecord,
  type ScrapPiece,
} from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { CuttingService } from './cutting.service.ts';

@Controller('api')
export class CuttingController {
  constructor(@Inject(CuttingService) private readonly cutting: CuttingService) {}

  @Get('pages/:id/cuttings')
  ofPage(@Param('id') id: string): CuttingRecord[] {
    return this.cutting.ofPage(id);
  }

  @Post('plans/:id/cut')
  cut(@Param('id') id: string, @Body(validated(cutSchema)) body: CutRequest): CuttingRecord {
    return this.cutting.cut(id, body);
  }

  @Post('cuttings/:id/undo')
  @HttpCode(200)
  undo(@Param('id') id: string, @Body(validated(bareRequestSchema)) body: BareRequest): CuttingRecord {
    return this.cutting.undo(id, body.id);
  }

  @Post('cuttings/:id/scraps')
  @HttpCode(200)
  scrap(@Param('id') id: string, @Body(validated(scrapPieceSchema)) body: ScrapPiece): CuttingRecord {
    return this.cutting.scrap(id, body);
  }
}
