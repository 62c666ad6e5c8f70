/** A repetition test that stands: what was lifted on which machine. */
export interface RepetitionTest {
  machineName: string;
  twoLegs: boolean;
  loadKg: number;
  reps: number;
  reserve: number;
  /** ISO date */
  takenOn: string;
}
