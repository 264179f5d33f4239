import { z } from 'zod';

/** Other devices that were let in, and where one comes in. */
export const devicesSchema = z.strictObject({
  /** Whether the server listens to others than this computer at all. */
  shared: z.boolean(),
  /** What the device is called that asks; null: it is the computer itself. */
  here: z.string().nullable(),
  addresses: z.array(z.string()),
  devices: z.array(z.strictObject({ id: z.string(), name: z.string(), admittedAt: z.string(), seenAt: z.string() })),
});
export type Devices = z.infer<typeof devicesSchema>;

/** A code that lets one device in, once, and the address that brings it along, also as a picture to be scanned (SVG). */
export const deviceCodeSchema = z.strictObject({
  code: z.string().regex(/^\d{6}$/),
  until: z.string(),
  url: z.string(),
  picture: z.string(),
});
export type DeviceCode = z.infer<typeof deviceCodeSchema>;
