import type { ImportSettings } from '@ivlen/contract';

/** A table as it comes, and what is to be found in it. One file holds the cases of one kind of mess. */
export interface MessyTable {
  readonly name: string;
  readonly text: string;
  /** Of what is guessed before anybody corrects it. */
  readonly settings?: Partial<ImportSettings>;
  /** Codes of problems that must be told, each with a part of its sentence. */
  readonly told: Readonly<Record<string, string>>;
  /** Codes of problems that must not be told. */
  readonly notTold?: readonly string[];
  /** Codes of the problems whose first mend is taken, one after the other. */
  readonly mends?: readonly string[];
  /** What comes of it: rows, and columns by name with some of what they are. */
  readonly rows?: number;
  readonly columns?: Readonly<
    Record<string, { readonly kind?: string; readonly unit?: string | null; readonly values?: readonly (number | null)[] }>
  >;
}
