import { Body, Controller, Get, Inject, Put } from '@nestjs/common';
import { habitsSchema, rulesSchema, type DrawerRules, type Habits } from '@temnex/core/stock';
import type { HabitsRecord } from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { HabitsService } from './habits.service.ts';

@Controller('api')
export class HabitsController {
  constructor(@Inject(HabitsService) private readonly service: HabitsService) {}

  @Get('rules')
  rules(): DrawerRules {
    return this.service.rules();
  }

  @Put('rules')
  saveRules(@Body(validated(rulesSchema)) rules: DrawerRules): DrawerRules {
    return this.service.saveRules(rules);
  }

  @Get('habits')
  habits(): HabitsRecord {
    return this.service.habits();
  }

  @Put('habits')
  saveHabits(@Body(validated(habitsSchema)) habits: Habits): HabitsRecord {
    return this.service.saveHabits(habits);
  }
}
