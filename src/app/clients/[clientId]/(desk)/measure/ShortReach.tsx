import { measurementKind } from "@/core/measure/measurementKinds";
import type { ShortReach as Short } from "@/core/measure/shortReach";
import { exerciseById } from "@/core/rules/exercises";
import { Link } from "@/ui/Link";
import { valueWords } from "./valueWords";

/** What measured short, and the stretch that is meant for it. */
export function ShortReach({ short, clientId }: { short: readonly Short[]; clientId: string }) {
  if (short.length === 0) return null;
  return (
    <section className="mb-4">
      <h2 className="text-[17px]">Short</h2>
      <ul>
        {short.map((s) => (
          <li key={s.kind} className="border-t border-rule py-1">
            {measurementKind(s.kind).name} {valueWords(s.kind, s.value)}
            <span className="small quiet"> (usual from {valueWords(s.kind, s.enough)})</span>:{" "}
            <Link
              href={`/clients/${clientId}/choose?exercise=${s.stretchId}`}
              className="font-bold hover:underline"
            >
              {exerciseById(s.stretchId)?.name ?? s.stretchId}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
