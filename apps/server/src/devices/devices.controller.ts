import { Controller, Delete, Get, HttpCode, Inject, Param, Post, Req } from '@nestjs/common';
import type { Request } from 'express';
import { renderSVG } from 'uqr';
import type { DeviceCode, Devices } from '@temnex/contract';
import type { Visited } from '../http/door.ts';
import { Refused, notFound } from '../http/refused.ts';
import type { Sharing } from '../http/sharing.ts';

/** Whatever lets other devices in; null while the server is not shared. */
export const SHARING = Symbol('sharing');

@Controller('api/devices')
export class DevicesController {
  constructor(@Inject(SHARING) private readonly sharing: Sharing | null) {}

  @Get()
  list(@Req() request: Visited): Devices {
    const { sharing } = this;
    return {
      shared: sharing !== null,
      here: request.device?.name ?? null,
      addresses: sharing ? sharing.addresses.map((a) => `http://${a}:${portOf(request)}`) : [],
      devices: sharing?.list() ?? [],
    };
  }

  /** Only on the computer itself: whoever was let in lets nobody in. */
  @Post('code')
  code(@Req() request: Visited): DeviceCode {
    const sharing = this.own(request);
    const { code, until } = sharing.newCode();
    const [address] = sharing.addresses;
    if (address === undefined)
      throw new Refused('failed', 'This computer is on no network that another device could reach.');
    const url = `http://${address}:${portOf(request)}/?code=${code}`;
    return { code, until: new Date(until).toISOString(), url, picture: renderSVG(url, { border: 2 }) };
  }

  @Delete(':id')
  @HttpCode(204)
  showOut(@Param('id') id: string, @Req() request: Visited): void {
    if (!this.own(request).showOut(id)) throw notFound('device');
  }

  private own(request: Visited): Sharing {
    if (!this.sharing) throw new Refused('forbidden', 'The server is not shared. Start it with: npm start -- --share');
    if (request.device) throw new Refused('forbidden', 'That is done on the computer itself.');
    return this.sharing;
  }
}

const portOf = (request: Request): number => request.socket.localPort ?? 0;
