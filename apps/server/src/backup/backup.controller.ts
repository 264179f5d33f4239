import { Body, Controller, Get, HttpCode, Inject, Post, Req, StreamableFile } from '@nestjs/common';
import {
  previewCopySchema,
  restoreBackupSchema,
  type BackupCopies,
  type PreviewCopy,
  type BackupPreview,
  type RestoreBackup,
  type RestoreResult,
} from '@temnex/contract';
import { validated } from '../http/validated.ts';
import type { DeviceRequest } from '../http/access.ts';
import { BackupService } from './backup.service.ts';

/** Backups are made and put back on the computer itself: a device that was let in to cut does neither (the door sees to it). */
@Controller('api/backup')
export class BackupController {
  constructor(@Inject(BackupService) private readonly keeping: BackupService) {}

  @Get('copies')
  copies(): BackupCopies {
    return this.keeping.list();
  }

  @Get('file')
  async file(): Promise<StreamableFile> {
    const day = new Date().toISOString().slice(0, 10);
    return new StreamableFile(await this.keeping.backup(), {
      type: 'application/zip',
      disposition: `attachment; filename="temnex-${day}.zip"`,
    });
  }

  @Post('look')
  @HttpCode(200)
  look(@Req() request: DeviceRequest): Promise<BackupPreview> {
    return this.keeping.lookInto(request);
  }

  @Post('look-at-copy')
  @HttpCode(200)
  lookAtCopy(@Body(validated(previewCopySchema)) { name }: PreviewCopy): BackupPreview {
    return this.keeping.lookIntoCopy(name);
  }

  @Post('restore')
  @HttpCode(200)
  restore(@Body(validated(restoreBackupSchema)) body: RestoreBackup): RestoreResult {
    return this.keeping.restore(body);
  }
}
