/** How far down each row of the drawing lies. */
export const NUMBERS_Y = 194
export const HAND_Y = 218
export const OTHERS_Y = 270
export const OTHER_HEIGHT = 46
