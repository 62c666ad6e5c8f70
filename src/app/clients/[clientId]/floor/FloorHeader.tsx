import Link from "next/link";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/clients";
import type { StoredPlan } from "@/server/plans";

/** Who is on the lane, what is set, and whether everything logged has reached the clinic. */
export function FloorHeader({
  client,
  plan,
  painMax,
  machine,
  massUnit,
  waiting,
  card,
}: {
  client: ClientEpisode;
  plan: StoredPlan;
  painMax: number;
  machine: { name: string; setUp: string };
  massUnit: MassUnit;
  waiting: number;
  /** the client's set-up card for this exercise, in words */
  card: string | null;
}) {
  return (
    <>
      <header className="flex items-baseline justify-between border-b border-rule px-8 py-3 text-[17px]">
        <p>
          <Link href="/" className="display mr-6 text-xl text-primary">
            Floor
          </Link>
          one client on this tablet
        </p>
        <p aria-live="polite" className="text-primary">
          {waiting === 0 ? "saved at the clinic" : `saved here, ${waiting} waiting`}
        </p>
        <Link href={`/clients/${client.clientId}/swap?planned=kext_iso_machine`} className="underline">
          swap for today
        </Link>
        <Link href={`/clients/${client.clientId}`} className="underline">
          to the desk
        </Link>
      </header>
      <div className="border-t-4 border-trace px-8 pt-4">
        <h1 className="text-2xl">
          {client.name}{" "}
          <span className="quiet text-lg font-normal">
            {plan.plan.side} knee · joint pain at most {painMax}
          </span>
        </h1>
        <p className="mt-1 text-[20px]">
          <b>Hold, extension at {plan.plan.kneeFlexionDeg}°</b>{" "}
          <span className="quiet">{machine.name} ·</span>{" "}
          <b>
            {plan.setting}
            {plan.loadKg === null ? "" : ` · ${formatMass(plan.loadKg, massUnit)}`}
          </b>{" "}
          <span className="quiet">· {machine.setUp}</span>
        </p>
        {card && (
          <p className="text-[16px]">
            <Link href={`/clients/${client.clientId}/cards`} className="underline">
              set-up card
            </Link>{" "}
            <span className="quiet">{card}</span>
          </p>
        )}
      </div>
    </>
  );
}
