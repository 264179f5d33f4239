import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import type { WantingPage } from '@temnex/core/cutting';
import {
  bareRequestSchema,
  drawerStepSchema,
  newChallengeSchema,
  savedSearchSchema,
  type BareRequest,
  type ChallengeRecord,
  type DrawerStep,
  type NewChallenge,
  type SavedSearch,
  type UnreadableRecord,
  type StepRecord,
} from '@temnex/contract';
import { validated } from '../http/validated.ts';
import { PagesService } from '../pages/pages.service.ts';
import { ChallengesService } from './challenges.service.ts';
import { SearchesService } from './searches.service.ts';
import { StepsService } from './steps.service.ts';

@Controller('api')
export class DrawerController {
  constructor(
    @Inject(StepsService) private readonly steps: StepsService,
    @Inject(SearchesService) private readonly searches: SearchesService,
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(ChallengesService) private readonly useUp: ChallengesService,
  ) {}

  @Get('drawer/steps')
  list(): StepRecord[] {
    return this.steps.list();
  }

  @Post('drawer/steps')
  take(@Body(validated(drawerStepSchema)) step: DrawerStep): StepRecord {
    return this.steps.take(step);
  }

  @Post('drawer/steps/:id/undo')
  @HttpCode(200)
  undo(@Param('id') id: string, @Body(validated(bareRequestSchema)) body: BareRequest): StepRecord {
    return this.steps.undo(id, body.id);
  }

  @Delete('drawer/steps/:id')
  @HttpCode(204)
  throwAway(@Param('id') id: string): void {
    this.steps.throwAway(id);
  }

  @Get('drawer/set-aside')
  setAside(): UnreadableRecord[] {
    return [this.searches, this.useUp, this.steps].flatMap((of) => of.setAside());
  }

  @Get('wanting')
  wanting(): WantingPage[] {
    return this.pages.wanting();
  }

  @Get('challenges')
  challenges(): ChallengeRecord[] {
    return this.useUp.list();
  }

  @Post('challenges')
  begin(@Body(validated(newChallengeSchema)) challenge: NewChallenge): ChallengeRecord {
    return this.useUp.begin(challenge);
  }

  @Delete('challenges/:id')
  @HttpCode(204)
  giveUp(@Param('id') id: string): void {
    this.useUp.giveUp(id);
  }

  @Get('searches')
  kept(): SavedSearch[] {
    return this.searches.list();
  }

  @Post('searches')
  keep(@Body(validated(savedSearchSchema)) search: SavedSearch): SavedSearch {
    return this.searches.keep(search);
  }

  @Delete('searches/:id')
  @HttpCode(204)
  forget(@Param('id') id: string): void {
    this.searches.forget(id);
  }
}
