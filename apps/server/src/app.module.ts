import { Module, type DynamicModule } from '@nestjs/common';
import { CuttingController } from './cutting/cutting.controller.ts';
import { CuttingService } from './cutting/cutting.service.ts';
import { DATABASE, type Database } from './database/types.ts';
import { DemoController } from './demo/demo.controller.ts';
import { DemoService } from './demo/demo.service.ts';
import { ChallengesService } from './drawer/challenges.service.ts';
import { DrawerController } from './drawer/drawer.controller.ts';
import { SearchesService } from './drawer/searches.service.ts';
import { StepsService } from './drawer/steps.service.ts';
import { DevicesController, DEVICE_ACCESS } from './devices/devices.controller.ts';
import type { DeviceAccess } from './http/deviceAccess.ts';
import { HabitsController } from './habits/habits.controller.ts';
import { HabitsService } from './habits/habits.service.ts';
import { HealthController } from './health/health.controller.ts';
import { BackupController } from './backup/backup.controller.ts';
import { BackupService } from './backup/backup.service.ts';
import { PagesController } from './pages/pages.controller.ts';
import { PagesService } from './pages/pages.service.ts';
import { PapersController } from './papers/papers.controller.ts';
import { PapersService } from './papers/papers.service.ts';
import { PICTURES_FOLDER, PicturesService } from './pictures/pictures.service.ts';
import { PicturesController } from './pictures/pictures.controller.ts';
import { PhotoSheetsService } from './photos/photoSheets.service.ts';
import { PhotosController } from './photos/photos.controller.ts';
import { PhotosService } from './photos/photos.service.ts';
import { PlansController } from './plans/plans.controller.ts';
import { PlansService } from './plans/plans.service.ts';
import { SessionsController } from './sessions/sessions.controller.ts';
import { SessionsService } from './sessions/sessions.service.ts';
import { TemplatesController } from './plans/templates.controller.ts';
import { RecordController } from './record/record.controller.ts';
import { RecordService } from './record/record.service.ts';
import { RemovedController } from './removed/removed.controller.ts';
import { RemovedService } from './removed/removed.service.ts';

@Module({})
export class AppModule {
  /** `pictures` is the folder in which they lie. */
  static with(db: Database, pictures: string, sharing: DeviceAccess | null): DynamicModule {
    return {
      module: AppModule,
      controllers: [
        HealthController,
        DemoController,
        PagesController,
        PapersController,
        HabitsController,
        DrawerController,
        PlansController,
        TemplatesController,
        PicturesController,
        PhotosController,
        CuttingController,
        SessionsController,
        DevicesController,
        BackupController,
        RecordController,
        RemovedController,
      ],
      providers: [
        { provide: DATABASE, useValue: db },
        { provide: PICTURES_FOLDER, useValue: pictures },
        { provide: DEVICE_ACCESS, useValue: sharing },
        PicturesService,
        PhotosService,
        PhotoSheetsService,
        BackupService,
        RecordService,
        PagesService,
        PapersService,
        HabitsService,
        StepsService,
        SearchesService,
        ChallengesService,
        PlansService,
        CuttingService,
        SessionsService,
        DemoService,
        RemovedService,
      ],
    };
  }
}
