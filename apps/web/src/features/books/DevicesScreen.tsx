import { useState } from 'react';
import { styled } from 'styled-components';
import { formatCount } from '@temnex/words';
import { useDevices, useNewPairingCode, useRevokeDevice } from '../../data/books.ts';
import { Plain, Quiet, Strong } from '../../design/buttons.tsx';
import { Loading, Notice, Trouble } from '../../design/states.tsx';
import { BooksPanel, Rows } from './BooksStation.tsx';

const Code = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 1.5rem 2.5rem;
  margin: 1.2rem 0;
  padding: 1.2rem 0;
  border-top: 2px solid var(--ink);
  border-bottom: 2px solid var(--ink);
  & img {
    width: 13rem;
    height: 13rem;
    background: #fff;
  }
  & output {
    display: block;
    font: 600 clamp(3rem, 12vw, 5.5rem) / 1 var(--figures);
    letter-spacing: 0.06em;
    font-variant-numeric: tabular-nums;
  }
`;
const Command = styled.code`
  display: inline-block;
  padding: 0.3rem 0.6rem;
  background: var(--sheet);
  border: 1px solid var(--rule);
  font-size: 1.05rem;
`;

const when = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Lets a phone or a tablet in the room come in, by a code that is shown here, and shows it the door again. */
export function DevicesScreen() {
  const [asked, setAsked] = useState(false);
  const devices = useDevices(asked);
  const code = useNewPairingCode();
  const out = useRevokeDevice();
  const { data } = devices;
  return (
    <BooksPanel>
      <h1>Other devices</h1>
      {devices.isPending ? <Loading what="the devices" /> : null}
      {devices.error && !data ? (
        <Trouble title="They could not be fetched" error={devices.error} retry={() => void devices.refetch()} />
      ) : null}
      {data && !data.shared ? (
        <>
          <p>
            Only this computer is answered. To cut from a phone or a tablet in the room, stop Temnex and start it so
            that it is shared on your own network:
          </p>
          <p style={{ margin: '0.8rem 0' }}>
            <Command>npm start -- --share</Command>
          </p>
          <p>
            Each device then comes in by a code that is shown here, once. Do that at home, not on a network of others.
          </p>
        </>
      ) : null}
      {data?.shared && data.here !== null ? (
        <p>This is “{data.here}”. Others are let in, and shown the door, on the computer itself.</p>
      ) : null}
      {data?.shared && data.here === null ? (
        <>
          {data.addresses.length ? (
            <p>
              On the device, open {data.addresses.join(' or ')} and type the code, or scan the picture. A code lasts
              five minutes and lets one device in.
            </p>
          ) : (
            <p>This computer is on no network that another device could reach.</p>
          )}
          {code.data ? (
            <Code>
              <img
                alt="The address with the code, to be scanned"
                src={`data:image/svg+xml,${encodeURIComponent(code.data.picture)}`}
              />
              <div>
                <output aria-label="code">{`${code.data.code.slice(0, 3)} ${code.data.code.slice(3)}`}</output>
                <p>
                  good until{' '}
                  {new Date(code.data.until).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
                </p>
              </div>
            </Code>
          ) : null}
          {code.error ? (
            <Notice kind="block">
              <span>{code.error.message}</span>
            </Notice>
          ) : null}
          <div style={{ margin: '1rem 0 1.6rem' }}>
            <Strong
              onPress={() => {
                setAsked(true);
                code.mutate();
              }}
              isDisabled={code.isPending || !data.addresses.length}
            >
              {code.data ? 'Another code' : 'Let a device in'}
            </Strong>
          </div>
        </>
      ) : null}
      {data?.devices.length ? (
        <>
          <h2>{formatCount(data.devices.length, 'device')} let in</h2>
          <Rows>
            {data.devices.map((d) => (
              <li key={d.id}>
                <b>{d.name}</b>
                <span>last seen {when(d.seenAt)}</span>
                {data.here === null ? (
                  <Quiet onPress={() => out.mutate(d.id)} aria-label={`Show ${d.name} the door`}>
                    Show it the door
                  </Quiet>
                ) : null}
              </li>
            ))}
          </Rows>
        </>
      ) : data?.shared ? (
        <p>No other device is let in.</p>
      ) : null}
      {out.error ? (
        <Notice kind="block">
          <span>{out.error.message}</span>
          <Plain onPress={() => out.reset()}>Understood</Plain>
        </Notice>
      ) : null}
    </BooksPanel>
  );
}
