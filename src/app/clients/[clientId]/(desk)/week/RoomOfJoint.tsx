import type { Corridor } from "@/core/schedule/corridor";
import type { SorePart } from "@/core/sheet/effect/tissueDose";
import type { PlannableSheet } from "@/server/week/weekFacts";
import { Term } from "@/ui/help/Term";
import { PART_WORDS, roomWords, roundDose } from "@/words/en/plan/room";

const [W, H] = [190, 14];

/** What a run of each sheet puts on what is sore, against what went well and what did not. Rule W4. */
export function RoomOfJoint({
  sheets,
  room,
  sore,
}: {
  sheets: readonly PlannableSheet[];
  room: Corridor;
  sore: SorePart;
}) {
  const rows = sheets.filter((s) => s.tissue > 0);
  if (sore === null || rows.length === 0) return null;
  const top = 1.15 * Math.max(room.most, room.sore ?? 0, ...rows.map((s) => s.tissue));
  const x = (dose: number) => (W * dose) / top;
  return (
    <figure className="mt-3">
      <figcaption className="text-[15px] font-bold">
        What this {PART_WORDS[sore]} takes in a visit{" "}
        <span className="small quiet font-normal">
          <Term id="room">sets of ten at 60 %</Term>
        </span>
      </figcaption>
      <table className="small w-full">
        <caption className="sr-only">What a run of each sheet puts on the {PART_WORDS[sore]}</caption>
        <tbody>
          {rows.map((s) => (
            <tr key={s.id}>
              <th scope="row" className="w-[112px] truncate text-left font-normal">
                {s.name}
              </th>
              <td>
                <svg
                  viewBox={`0 0 ${W} ${H}`}
                  className="my-0.5 w-full"
                  role="img"
                  aria-label={`${roundDose(s.tissue)}${s.short ? `, short ${roundDose(s.short.tissue)}` : ""}; at most ${roundDose(room.most)} sets of ten at 60 %`}
                >
                  <rect width={x(room.most)} height={H} className="fill-mark opacity-30" />
                  <rect y={4} width={x(s.tissue)} height={H - 8} className="fill-primary opacity-40" />
                  <rect y={4} width={x((s.short ?? s).tissue)} height={H - 8} className="fill-primary" />
                  <line
                    x1={x(room.most)}
                    x2={x(room.most)}
                    y2={H}
                    className="stroke-accent"
                    strokeWidth={2}
                  />
                </svg>
              </td>
              <td className="w-[88px] whitespace-nowrap text-right">
                {roundDose(s.tissue)}
                {s.short && <span className="quiet"> ½ {roundDose(s.short.tissue)}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small quiet">{roomWords(room)}</p>
    </figure>
  );
}
