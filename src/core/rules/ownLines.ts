/** What a clause speaks of, and whose it is. Clauses that speak of nobody in particular are everybody's. */
const OF: readonly { says: RegExp; ids: readonly string[] }[] = [
  { says: /\bACL\b|\bearly graft\b/i, ids: ["acl_reconstruction", "acl_deficient"] },
  { says: /^PCL\b|\bafter a PCL injury\b/i, ids: ["pcl_injury"] },
  { says: /^fracture\b/i, ids: ["post_fracture"] },
  { says: /\bhip replacement\b/i, ids: ["total_hip_replacement"] },
  { says: /\bkneecap pain\b/i, ids: ["pfp"] },
  { says: /\bextension-sensitive backs?\b/i, ids: ["lumbar_stenosis_extension"] },
  {
    says: /\bthe ligament\b/i,
    ids: ["acl_reconstruction", "acl_deficient", "pcl_injury", "mcl_sprain"],
  },
];

/** Sentences, and the clauses of one that a semicolon parts; what stands in brackets is not parted. */
const clausesOf = (line: string): string[] => line.split(/(?<=[.;])\s+(?![^(]*\))/);

function isFor(clause: string, conditionIds: ReadonlySet<string>): boolean {
  // whose it is stands at its head: what is said in brackets about somebody else is an explanation
  const head = clause.replace(/\([^)]*\)/g, "");
  const found = OF.filter((o) => o.says.test(head));
  return found.length === 0 || found.some((o) => o.ids.some((id) => conditionIds.has(id)));
}

/**
 * What of an exercise's lines is this client's: the advice for a ligament or a fracture stands only beside who has one.
 * A warning of what never to do stays with everybody.
 */
export function ownLines(lines: readonly string[], conditionIds: ReadonlySet<string>): string[] {
  return lines.flatMap((line) => {
    const kept = clausesOf(line).filter((c) => /^(not|only|never)\b/i.test(c) || isFor(c, conditionIds));
    const words = kept.join(" ").replace(/;$/, ".");
    return words === "" ? [] : [words];
  });
}
