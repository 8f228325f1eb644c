/** Milliseconds. After a longer pause in which nothing was recorded it is another sitting. */
export const longestPause = 2 * 3600 * 1000
