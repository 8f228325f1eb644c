/** Below this path the authentication library answers. */
export const authPath = '/api/auth'

/** Says from which address somebody knocks; set by the server itself, whatever the request brought. */
export const addressHeader = 'x-seriatim-address'
