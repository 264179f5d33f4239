import { Controller, Get, Inject, Query } from '@nestjs/common';
import { recordQuerySchema, type RecordQuery, type RecordPage } from '@temnex/contract';
import { checked } from '../http/checked.ts';
import { RecordService } from './record.service.ts';

@Controller('api/record')
export class RecordController {
  constructor(@Inject(RecordService) private readonly record: RecordService) {}

  @Get()
  entries(@Query(checked(recordQuerySchema)) query: RecordQuery): RecordPage {
    return this.record.entries(query);
  }
}
