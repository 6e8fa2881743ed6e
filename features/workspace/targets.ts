/** What follows the # where Switching is opened at something to do with a load, before its id: how it comes on, what it shall do. */
export const COME = 'come=';
export const WISH = 'wish=';
