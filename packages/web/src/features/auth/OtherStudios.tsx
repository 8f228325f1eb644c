import type { OtherStudio } from '@seriatim/contract'
import { useMutation } from '@tanstack/react-query'
import { chooseStudio } from '../../shared/api/index.ts'
import { plural } from '../../shared/format/index.ts'
import { forgetAll } from '../../shared/kept/index.ts'
import { useOutbox } from '../../shared/outbox/index.ts'
import { sayStudioChosen } from '../../shared/signed-in.ts'
import { Button } from '../../shared/ui/index.ts'

/** The other studios of who signed in, and those that ask them to come. */
export function OtherStudios({ studios }: { readonly studios: readonly OtherStudio[] }) {
  const { waiting } = useOutbox()
  const go = useMutation({
    mutationFn: chooseStudio,
    onSuccess: async (_, id) => {
      // What this device keeps is of the studio that is left.
      await forgetAll()
      sayStudioChosen(id)
      window.location.assign('/')
    },
  })
  return (
    <section className="ticket p-4" aria-labelledby="other-studios">
      <h2 id="other-studios" className="text-xl">
        Your other studios
      </h2>
      <ul>
        {studios.map(({ id, name, isAsked }) => (
          <li
            key={id}
            className="flex flex-wrap items-center justify-between gap-2 border-t border-paper-edge py-2"
          >
            <span className="min-w-0">
              <b>{name}</b>
              {isAsked ? <span className="block text-sm text-ink-soft">asks you to come</span> : null}
            </span>
            <Button disabled={waiting.length > 0 || go.isPending} onClick={() => go.mutate(id)}>
              {isAsked ? 'Join' : 'Go to'}
              <span className="sr-only"> {name}</span>
            </Button>
          </li>
        ))}
      </ul>
      {waiting.length > 0 ? (
        <p className="mt-2 text-sm">
          {plural(waiting.length, 'entry', 'entries')} of this studio {waiting.length === 1 ? 'is' : 'are'}{' '}
          not delivered yet: first {waiting.length === 1 ? 'it goes' : 'they go'} there.
        </p>
      ) : null}
      {go.error ? (
        <p role="alert" className="mt-2 text-hands">
          {go.error.message}
        </p>
      ) : null}
    </section>
  )
}
