// What jsdom lacks of a browser, and the controls and the router ask for.
import { TextDecoder, TextEncoder } from 'node:util';

globalThis.TextEncoder ??= TextEncoder;
globalThis.TextDecoder ??= TextDecoder;
globalThis.CSS ??= { escape: (text) => String(text).replace(/[^\w-]/g, (c) => `\\${c}`), supports: () => false };
