/** What a drawing of help is given. */
export interface FigureProps {
  /** In units in which words have a size of their own. */
  readonly width: number;
  /** What it shows, for those who do not see it. */
  readonly label: string;
}
