import { SignInForm } from './SignInForm.tsx'

/** Behind a door, for whoever has not signed in. @param wasIn somebody was, on this page: what is recorded waits for them. */
export function SignInNotice({ wasIn }: { readonly wasIn: boolean }) {
  return (
    <section className="ticket mx-auto mt-10 max-w-xl p-8" aria-labelledby="sign-in">
      {wasIn ? (
        <>
          <h2 id="sign-in" className="text-2xl">
            Your sign-in ran out
          </h2>
          <p className="mt-2 text-ink-soft">
            Go on painting: what you record is kept on this device, and delivered when you have signed in
            again.
          </p>
        </>
      ) : (
        <>
          <h1 id="sign-in" className="text-2xl">
            Sign in
          </h1>
          <p className="mt-2 text-ink-soft">
            This studio is for those who belong to it. An owner makes accounts and gives out passwords.
          </p>
        </>
      )}
      <div className="mt-5">
        <SignInForm />
      </div>
    </section>
  )
}
