import "server-only";

/**
 * Answers that were worked out in this process, each with what it was worked out from: one that was worked out from
 * something else is not given. Revisions (0009_revisions.sql) rise with every change in the database and so make a good
 * `from`. The oldest go first.
 */
export class Known<T> {
  private readonly kept = new Map<string, { from: string; answer: T }>();
  constructor(private readonly most: number) {}

  get(key: string, from: string): T | null {
    const found = this.kept.get(key);
    return found?.from === from ? found.answer : null;
  }

  keep(key: string, from: string, answer: T): void {
    this.kept.delete(key);
    this.kept.set(key, { from, answer });
    for (const oldest of this.kept.keys()) {
      if (this.kept.size <= this.most) break;
      this.kept.delete(oldest);
    }
  }
}
