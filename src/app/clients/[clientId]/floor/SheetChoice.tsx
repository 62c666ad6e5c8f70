import type { ClientEpisode } from "@/server/client/clients";
import { Link } from "@/ui/Link";

/** Which sheet is run now, where a client has several. */
export function SheetChoice({
  client,
  sheets,
}: {
  client: ClientEpisode;
  sheets: readonly {
    sheetId: string;
    name: string;
    lines: number;
    minutes: number;
    isShort: boolean;
    barred: string | null;
  }[];
}) {
  return (
    <main data-theme="gym" className="min-h-dvh bg-base-200 px-8 py-8 text-base-content">
      <h1 className="text-3xl">{client.name}</h1>
      <p className="mt-2 text-[22px]">Which sheet is run now?</p>
      <ul className="mt-6 grid max-w-[640px] gap-4">
        {sheets.map((s) => (
          <li key={s.sheetId}>
            <Link
              href={`/clients/${client.clientId}/floor?sheet=${s.sheetId}`}
              className="flex min-h-[72px] flex-wrap items-baseline justify-between gap-x-6 border-b border-rule py-3 text-[24px] hover:bg-base-100"
            >
              <b>{s.name}</b>
              <span className="text-[20px]">
                {s.lines} {s.lines === 1 ? "line" : "lines"}, about {s.minutes} min
                {s.isShort && ", short today"}
              </span>
              {s.barred && <span className="w-full text-[17px] text-mark">Not today: {s.barred}</span>}
            </Link>
          </li>
        ))}
      </ul>
      <p className="mt-8 text-lg">
        <Link href={`/clients/${client.clientId}`} className="underline">
          to the desk
        </Link>
      </p>
    </main>
  );
}
