import type { DueMeasurement } from "@/core/measure/dueMeasurements";
import { Link } from "@/ui/Link";
import { Said } from "@/ui/reader";

/** What is due for a measurement, and why. */
export function DueList({ due, clientId }: { due: readonly DueMeasurement[]; clientId: string }) {
  return (
    <section className="mb-4">
      <h2 className="text-[17px]">
        Due{" "}
        {due.length === 0 && (
          <span className="quiet text-[15px] font-normal">nothing; all is fresh enough</span>
        )}
      </h2>
      <ul>
        {due.map((d) => (
          <li key={d.kind} className="border-t border-rule py-1">
            <Link href={`/clients/${clientId}/measure?part=${d.group}`} className="font-bold hover:underline">
              <span aria-hidden className="text-mark">
                ◇{" "}
              </span>
              <Said>{d.what}</Said>
            </Link>{" "}
            <span className="small quiet">
              <Said>{d.because}</Said>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
