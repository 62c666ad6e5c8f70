/** A request that is understood but not done; the sentence says why and what can be done. */
export class Refused extends Error {
  constructor(
    readonly kind: "signed-out" | "forbidden" | "missing" | "conflict" | "too-many",
    sentence: string,
  ) {
    super(sentence);
    this.name = "Refused";
  }
}
