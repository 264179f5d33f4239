import {
  Body,
  Controller,
  Get,
  HttpCode,
  Inject,
  Param,
  Post,
  Query,
  Req,
  Sse,
  type MessageEvent,
} from '@nestjs/common';
import { interval, map, merge, type Observable } from 'rxjs';
import {
  beginSessionSchema,
  sendEventsSchema,
  sessionsQuerySchema,
  type BeginSession,
  type SendEvents,
  type SentEvents,
  type Session,
  type SessionRecord,
  type SessionRest,
  type SessionsQuery,
} from '@temnex/contract';
import { validated } from '../http/validated.ts';
import type { DeviceRequest } from '../http/access.ts';
import { SessionsService } from './sessions.service.ts';

/** A line that says nothing, so that a connection that is gone is noticed. */
const HEARTBEAT = 15_000;

@Controller('api/sessions')
export class SessionsController {
  constructor(@Inject(SessionsService) private readonly sessions: SessionsService) {}

  @Post()
  begin(@Body(validated(beginSessionSchema)) body: BeginSession): Session {
    return this.sessions.begin(body);
  }

  @Get()
  list(@Query(validated(sessionsQuerySchema)) { page }: SessionsQuery): SessionRecord[] {
    return this.sessions.list(page);
  }

  @Get(':id')
  one(@Param('id') id: string): Session {
    return this.sessions.one(id);
  }

  @Get(':id/rest')
  rest(@Param('id') id: string): SessionRest {
    return this.sessions.rest(id);
  }

  @Post(':id/events')
  @HttpCode(200)
  send(
    @Param('id') id: string,
    @Body(validated(sendEventsSchema)) { events, since }: SendEvents,
    @Req() request: DeviceRequest,
  ): SentEvents {
    // a device that was let in is called what it was called at the door
    const device = request.device?.name;
    return this.sessions.send(id, { since, events: device ? events.map((e) => ({ ...e, device })) : events });
  }

  @Sse(':id/stream')
  stream(@Param('id') id: string): Observable<MessageEvent> {
    const told = this.sessions.told(id).pipe(map((data): MessageEvent => ({ data })));
    return merge(told, interval(HEARTBEAT).pipe(map((): MessageEvent => ({ type: 'beat', data: '' }))));
  }
}
