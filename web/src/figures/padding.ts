/** Room between the outermost points and the frame, in pixels of the page. */
export const PADDING = 6;
