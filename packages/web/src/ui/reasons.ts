/** How a result came about. */
export interface Reasons {
  inputs?: readonly { label: string; value: string }[];
  formula?: string;
  source?: string;
  notes?: readonly string[];
}
