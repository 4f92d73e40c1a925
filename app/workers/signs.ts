/** What a worker posts as a sign of life, and what it answers when a part of its own code could not be fetched. */
export const SIGN = 'working'
export const PIECE_MISSING = 'part of the app could not be loaded'
