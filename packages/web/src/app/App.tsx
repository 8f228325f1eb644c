import { QueryClientProvider } from '@tanstack/react-query'
import { RouterProvider } from 'react-router'
import { Toaster } from 'sonner'
import { queryClient } from './query-client.ts'
import { router } from './router.tsx'

/** Long enough to read what was done and to take it back. */
const toastStays = 8000

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
      <Toaster
        position="bottom-center"
        duration={toastStays}
        style={{ fontFamily: 'inherit' }}
        toastOptions={{
          unstyled: true,
          classNames: {
            toast: 'ticket flex w-full items-center gap-4 border-l-8 border-l-ink px-4 py-3 shadow-lg',
            error: 'border-l-hands',
            title: 'font-bold',
            actionButton: 'min-h-9 shrink-0 rounded-[3px] border-2 border-ink px-3 font-bold',
          },
        }}
      />
    </QueryClientProvider>
  )
}
