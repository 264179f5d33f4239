import { Controller, Get, Inject, Query } from '@nestjs/common';
import { recordQuerySchema, type RecordQuery, type RecordPage } from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { RecordService } from './record.service.ts';

@Controller('api/record')
export class RecordController {
  constructor(@Inject(RecordService) private readonly record: RecordService) {}

  @Get()
  entries(@Query(validated(recordQuerySchema)) query: RecordQuery): RecordPage {
    return this.record.entries(query);
  }
}
