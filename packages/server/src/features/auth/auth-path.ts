/** Below this path the authentication library answers. */
export const authPath = '/api/auth'

/** Says from which address somebody knocks; set by the server itself, whatever the request brought. */
export const addressHeader = 'x-seriatim-address'

/** What of the library is answered at all: what pages ask. Accounts and names are the owner's to change, elsewhere. */
export const openAuthPaths = ['/sign-in/email', '/sign-out', '/change-password']

/** An address, a password and a new one are no longer than this, in bytes. */
export const largestAuthBody = 8 * 1024
