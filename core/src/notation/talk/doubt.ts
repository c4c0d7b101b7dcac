/** What the count of a talk cannot confirm, as facts. */
export type Doubt =
  /** Another number of stitches was said than the words make. */
  | { readonly is: 'total'; readonly said: number; readonly makes: number; readonly sure: boolean }
  /** Repeats as said do not use up the round; so many do. */
  | { readonly is: 'times'; readonly said: number; readonly fits: number }
  /** Another round number was said than is due. */
  | { readonly is: 'number'; readonly said: number; readonly counted: number }
  /** Rounds that the talk passes over. */
  | { readonly is: 'missing'; readonly from: number; readonly to: number }
  /** Another number of rounds was said too. */
  | { readonly is: 'run'; readonly said: number; readonly rounds: number }
  /** No instruction was heard. */
  | { readonly is: 'unheard' }
  /** Nothing was said that confirms the count. */
  | { readonly is: 'unconfirmed' }
  /** The words can be meant in another way, which makes so many stitches in so many rounds. */
  | { readonly is: 'other'; readonly text: string; readonly makes: number; readonly rounds: number };
