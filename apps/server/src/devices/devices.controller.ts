import { Controller, Delete, Get, HttpCode, Inject, Param, Post, Req } from '@nestjs/common';
import type { Request } from 'express';
import { renderSVG } from 'uqr';
import type { DeviceCode, Devices } from '@temnex/contract';
import type { DeviceRequest } from '../http/access.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import type { DeviceAccess } from '../http/deviceAccess.ts';

/** Whatever lets other devices in; null while the server is not shared. */
export const DEVICE_ACCESS = Symbol('sharing');

@Controller('api/devices')
export class DevicesController {
  constructor(@Inject(DEVICE_ACCESS) private readonly sharing: DeviceAccess | null) {}

  @Get()
  list(@Req() request: DeviceRequest): Devices {
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
  code(@Req() request: DeviceRequest): DeviceCode {
    const sharing = this.own(request);
    const { code, until } = sharing.newCode();
    const [address] = sharing.addresses;
    if (address === undefined)
      throw new RequestRefusal('failed', 'This computer is on no network that another device could reach.');
    const url = `http://${address}:${portOf(request)}/?code=${code}`;
    return { code, until: new Date(until).toISOString(), url, picture: renderSVG(url, { border: 2 }) };
  }

  @Delete(':id')
  @HttpCode(204)
  showOut(@Param('id') id: string, @Req() request: DeviceRequest): void {
    if (!this.own(request).showOut(id)) throw notFound('device');
  }

  private own(request: DeviceRequest): DeviceAccess {
    if (!this.sharing)
      throw new RequestRefusal('forbidden', 'The server is not shared. Start it with: npm start -- --share');
    if (request.device) throw new RequestRefusal('forbidden', 'That is done on the computer itself.');
    return this.sharing;
  }
}

const portOf = (request: Request): number => request.socket.localPort ?? 0;
