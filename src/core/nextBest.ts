/** What is done by whoever cannot or must not do what was asked, and what that costs. */
export interface NextBest {
  what: string;
  price: string;
}
