/** What the pack of cards brings along besides its own script. */
export { codesOf } from "./codes";
export { countOf, lengthOf, lengthText, readBy } from "./read";
