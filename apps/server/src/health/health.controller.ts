import { Controller, Get, Inject } from '@nestjs/common';
import { sql } from 'drizzle-orm';
import { openApi } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { VERSION } from '../version.ts';

@Controller('api')
export class HealthController {
  private readonly description = openApi(VERSION);

  constructor(@Inject(DATABASE) private readonly db: Database) {}

  @Get('health')
  health(): { status: 'ok'; database: 'ok'; version: string } {
    this.db.get(sql`select 1`);
    return { status: 'ok', database: 'ok', version: VERSION };
  }

  @Get('openapi.json')
  openapi(): Record<string, unknown> {
    return this.description;
  }
}
