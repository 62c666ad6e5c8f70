import type { ClientEpisode } from "@/server/client/clients";
import { Link } from "@/ui/Link";

/** Who is on the lane, how much the joint may hurt, and the way back. */
export function FloorTop({
  client,
  painMax,
  words,
}: {
  client: ClientEpisode;
  painMax: number;
  words?: string;
}) {
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-6 px-4 pt-2 short:pt-0 lg:px-8 lg:pt-3">
      <h1 className="text-[20px] leading-tight short:text-[17px] lg:text-[26px]">
        {client.name}{" "}
        <span className="text-[16px] font-normal lg:text-[18px]">
          {client.where}
          {words ? ` · ${words}` : ""} · joint pain at most {painMax}
        </span>
      </h1>
      <p className="flex gap-6 text-[17px]">
        <Link href={`/clients/${client.clientId}`} className="underline">
          to the desk
        </Link>
        <Link href="/" className="underline">
          Today
        </Link>
      </p>
    </div>
  );
}
