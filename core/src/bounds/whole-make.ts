/** What is told of a whole make is told of this, which no piece is called. */
export const WHOLE_MAKE = 'make';
