import "server-only";
import type { Ctx } from "./context";

/** A tablet's clock may differ from the clinic's by so much (docs/rules.md, K21) [own]. */
const MOST_OFF_MS = 10 * 60_000;
/** What waited longer than this on a device is kept as of when it arrived. */
const MOST_WAITED_MS = 7 * 86_400_000;

/**
 * When something was done, by the clinic's clock: its time of arrival less what has passed on the device since, which
 * says its own time with everything that it sends. A device that says none is believed within ten minutes. No clock of a
 * device decides anything: one that is a day behind, or in another century, gives the same moment.
 */
export function clinicTime(ctx: Pick<Ctx, "now" | "deviceNow">, onDevice: Date): Date {
  const now = ctx.now.getTime();
  if (!ctx.deviceNow) {
    const off = now - onDevice.getTime();
    return Math.abs(off) <= MOST_OFF_MS ? new Date(Math.min(now, onDevice.getTime())) : ctx.now;
  }
  const passed = ctx.deviceNow.getTime() - onDevice.getTime();
  return passed >= 0 && passed <= MOST_WAITED_MS ? new Date(now - passed) : ctx.now;
}

const FIRST = Date.UTC(1970, 0, 1);
const LAST = Date.UTC(9999, 0, 1);

/** The device's own time as it can be kept: what is beyond the years that the records hold is cut to their end. */
export const keptDeviceTime = (onDevice: Date): Date =>
  new Date(Math.min(LAST, Math.max(FIRST, onDevice.getTime())));

/** What a device says its time is; null where it says none, or nonsense. */
export function deviceTimeOf(header: string | null): Date | null {
  const ms = header === null ? Number.NaN : Number(header);
  return Number.isFinite(ms) && Math.abs(ms) <= 8.64e15 ? new Date(ms) : null;
}
