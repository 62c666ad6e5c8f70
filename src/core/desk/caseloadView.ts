export const CASELOAD_SHOWS = ["open", "closed", "all"] as const;
export const CASELOAD_SORTS = ["name", "condition", "beganOn", "lastOn", "next"] as const;

/** What is asked of the caseload. */
export interface CaseloadView {
  q: string;
  show: (typeof CASELOAD_SHOWS)[number];
  sort: (typeof CASELOAD_SORTS)[number];
  down: boolean;
  hand: boolean;
  page: number;
}
