import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Patch, Post, Put } from '@nestjs/common';
import { habitsSchema, type Habits, type Paper, type StockItem } from '@temnex/core';
import {
  changeStockSchema,
  newPaperSchema,
  newStockSchema,
  type ChangeStock,
  type DrawerRecord,
  type NewPaper,
  type NewStock,
} from '@temnex/contract';
import { checked } from '../http/checked.ts';
import { PapersService } from './papers.service.ts';

@Controller('api')
export class PapersController {
  constructor(@Inject(PapersService) private readonly papers: PapersService) {}

  @Get('drawer')
  drawer(): DrawerRecord {
    return this.papers.drawer();
  }

  @Post('papers')
  addPaper(@Body(checked(newPaperSchema)) paper: NewPaper): Paper {
    return this.papers.addPaper(paper);
  }

  @Post('stock')
  addStock(@Body(checked(newStockSchema)) item: NewStock): StockItem {
    return this.papers.addStock(item);
  }

  @Patch('stock/:id')
  changeStock(@Param('id') id: string, @Body(checked(changeStockSchema)) change: ChangeStock): StockItem {
    return this.papers.changeStock(id, change);
  }

  @Delete('stock/:id')
  @HttpCode(204)
  removeStock(@Param('id') id: string): void {
    this.papers.removeStock(id);
  }

  @Get('habits')
  habits(): Habits {
    return this.papers.habits();
  }

  @Put('habits')
  saveHabits(@Body(checked(habitsSchema)) habits: Habits): Habits {
    return this.papers.saveHabits(habits);
  }
}
