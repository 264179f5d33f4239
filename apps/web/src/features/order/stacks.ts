/** How many sheets may lie under a blade, as one chooses it. */
export const STACKS = ['1', '2', '3', '4', '5', '6', '8', '10'];
