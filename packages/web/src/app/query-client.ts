import { QueryCache, QueryClient } from '@tanstack/react-query'
import { isAway, isSignInNeeded, meQuery } from '../shared/api/index.ts'
import { askOrRemember, keepAnswers } from '../shared/kept/index.ts'

const longestPause = 10_000

/** A server that does not answer is asked again until it does; any other failure is shown at once. */
export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({
    onError: (error) => {
      // A sign-in ran out: who sits here is asked anew, and the page says so.
      if (isSignInNeeded(error)) void queryClient.invalidateQueries({ queryKey: meQuery.queryKey })
    },
  }),
  defaultOptions: {
    queries: {
      networkMode: 'always',
      staleTime: 5_000,
      persister: askOrRemember,
      retry: (_, error) => isAway(error),
      retryDelay: (attempt) => Math.min(longestPause, 500 * 2 ** attempt),
    },
    mutations: { networkMode: 'always', retry: false },
  },
})

keepAnswers(queryClient)
