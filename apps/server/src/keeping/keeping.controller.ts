import { Body, Controller, Get, HttpCode, Inject, Post, Req, StreamableFile } from '@nestjs/common';
import {
  lookAtCopySchema,
  restoreSchema,
  type Copies,
  type LookAtCopy,
  type Preview,
  type Restore,
  type Restored,
} from '@temnex/contract';
import { checked } from '../http/checked.ts';
import type { Visited } from '../http/door.ts';
import { Refused } from '../http/refused.ts';
import { KeepingService } from './keeping.service.ts';

/** Backups are made and put back on the computer itself: a device that was let in to cut does neither. */
@Controller('api/backup')
export class KeepingController {
  constructor(@Inject(KeepingService) private readonly keeping: KeepingService) {}

  @Get('copies')
  copies(): Copies {
    return this.keeping.list();
  }

  @Get('file')
  async file(@Req() request: Visited): Promise<StreamableFile> {
    ownOnly(request);
    const day = new Date().toISOString().slice(0, 10);
    return new StreamableFile(await this.keeping.backup(), {
      type: 'application/zip',
      disposition: `attachment; filename="temnex-${day}.zip"`,
    });
  }

  @Post('look')
  @HttpCode(200)
  look(@Body() body: unknown, @Req() request: Visited): Preview {
    ownOnly(request);
    return this.keeping.lookInto(body);
  }

  @Post('look-at-copy')
  @HttpCode(200)
  lookAtCopy(@Body(checked(lookAtCopySchema)) { name }: LookAtCopy, @Req() request: Visited): Preview {
    ownOnly(request);
    return this.keeping.lookIntoCopy(name);
  }

  @Post('restore')
  @HttpCode(200)
  restore(@Body(checked(restoreSchema)) body: Restore, @Req() request: Visited): Restored {
    ownOnly(request);
    return this.keeping.restore(body);
  }
}

function ownOnly(request: Visited): void {
  if (request.device) throw new Refused('forbidden', 'That is done on the computer itself.');
}
