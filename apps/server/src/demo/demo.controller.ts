import { Body, Controller, Delete, Get, HttpCode, Inject, Post } from '@nestjs/common';
import { demoRequestSchema, type DemoRequest } from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { DemoService } from './demo.service.ts';

@Controller('api/demo')
export class DemoController {
  constructor(@Inject(DemoService) private readonly demo: DemoService) {}

  @Get()
  state(): { present: boolean } {
    return { present: this.demo.present() };
  }

  @Post()
  @HttpCode(200)
  put(@Body(validated(demoRequestSchema)) body: DemoRequest): { present: boolean } {
    return this.demo.put(body.id, body.afresh);
  }

  @Delete()
  take(): { present: boolean } {
    this.demo.take();
    return { present: this.demo.present() };
  }
}
