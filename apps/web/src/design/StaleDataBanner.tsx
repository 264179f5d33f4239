import { useEffect, useState } from 'react';
import { styled } from 'styled-components';

const Strip = styled.p`
  position: fixed;
  left: 0;
  bottom: 0;
  z-index: 10;
  padding: 0.3rem 0.8rem;
  background: var(--ink);
  color: #fff;
  font-size: var(--s1);
`;

/** Where the server does not answer, from when that is what one sees. */
export function StaleDataBanner() {
  const [from, setFrom] = useState<string | null>(null);
  useEffect(() => {
    if (typeof BroadcastChannel === 'undefined') return;
    const channel = new BroadcastChannel('temnex-seen');
    channel.onmessage = ({ data }: MessageEvent<{ from: string | null }>) => setFrom(data.from ?? '');
    // where it answers again, what is seen is of now
    const again = () => setFrom(null);
    addEventListener('temnex-answered', again);
    return () => {
      channel.close();
      removeEventListener('temnex-answered', again);
    };
  }, []);
  if (from === null) return null;
  const time = from && new Date(from).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }); // prettier-ignore
  return <Strip role="status">The server does not answer. {time ? `What you see is of ${time}.` : 'What you see was seen before.'}</Strip>; // prettier-ignore
}
