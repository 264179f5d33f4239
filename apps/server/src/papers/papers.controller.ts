import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Patch, Post, Put, Query } from '@nestjs/common';
import { type StockItem } from '@temnex/core/stock';
import {
  changePaperSchema,
  changeStockSchema,
  drawerQuerySchema,
  newMovementSchema,
  newPaperSchema,
  newStockSchema,
  type ChangePaper,
  type ChangeStock,
  type DrawerQuery,
  type DrawerRecord,
  type Movement,
  type NewMovement,
  type NewPaper,
  type NewStock,
  type PaperRecord,
} from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { PapersService } from './papers.service.ts';

@Controller('api')
export class PapersController {
  constructor(@Inject(PapersService) private readonly papers: PapersService) {}

  @Get('drawer')
  drawer(@Query(validated(drawerQuerySchema)) seen: DrawerQuery): DrawerRecord {
    return this.papers.drawer(seen);
  }

  @Post('papers')
  addPaper(@Body(validated(newPaperSchema)) paper: NewPaper): PaperRecord {
    return this.papers.addPaper(paper);
  }

  @Put('papers/:id')
  changePaper(@Param('id') id: string, @Body(validated(changePaperSchema)) change: ChangePaper): PaperRecord {
    return this.papers.changePaper(id, change);
  }

  @Delete('papers/:id')
  @HttpCode(204)
  removePaper(@Param('id') id: string): void {
    this.papers.removePaper(id);
  }

  @Post('stock')
  addStock(@Body(validated(newStockSchema)) item: NewStock): StockItem {
    return this.papers.addStock(item);
  }

  @Patch('stock/:id')
  changeStock(@Param('id') id: string, @Body(validated(changeStockSchema)) change: ChangeStock): StockItem {
    return this.papers.changeStock(id, change);
  }

  @Post('stock/:id/movements')
  moveStock(@Param('id') id: string, @Body(validated(newMovementSchema)) change: NewMovement): StockItem {
    return this.papers.moveStock(id, change);
  }

  @Get('stock/:id/movements')
  history(@Param('id') id: string): Movement[] {
    return this.papers.historyOf(id);
  }

  @Delete('stock/:id')
  @HttpCode(204)
  removeStock(@Param('id') id: string): void {
    this.papers.removeStock(id);
  }
}
