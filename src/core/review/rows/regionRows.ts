import { PAIN_REGION_IDS } from "../../units/painRegion";
import { saidWith } from "../../units/said";
import type { ReviewFacts } from "../facts";
import { point, type Row } from "../row";
import { scoreRow } from "./scoreRow";

/** Pain in each other region that was named or is followed: the worst in a set, and the morning after. Rule Region 4. */
export const regionRows = ({ visits }: Pick<ReviewFacts, "visits">): Row[] =>
  PAIN_REGION_IDS.map((region) => {
    const of = (which: "worst" | "morning") =>
      visits.flatMap((v) => {
        const value = v.regions.find((r) => r.region === region)?.[which] ?? null;
        return value === null ? [] : [point(v.on, value)];
      });
    return scoreRow({
      id: `region ${region}`,
      name: saidWith("review.region", { region }),
      under: { code: "review.region_under" },
      series: [
        { key: "worst", name: { code: "review.worst_in_set" }, mark: "square", points: of("worst") },
        { key: "morning", name: { code: "review.next_morning" }, mark: "dot", points: of("morning") },
      ],
    });
  });
