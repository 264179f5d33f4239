import { Controller, Delete, Get, HttpCode, Inject, Post } from '@nestjs/common';
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
  put(): { present: boolean } {
    this.demo.put();
    return { present: true };
  }

  @Delete()
  take(): { present: boolean } {
    this.demo.take();
    return { present: this.demo.present() };
  }
}
