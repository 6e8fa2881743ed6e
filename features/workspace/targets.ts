/** What follows the # where Switching is opened at something to do with a load, before its id: how it comes on, what it shall do. */
export const COME = 'come=';
export const WISH = 'wish=';
/** What follows the # where Harness is opened at its choices. */
export const CHOICES = 'choices';
