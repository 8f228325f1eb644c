import type { Role } from '@seriatim/contract'

/** What each role is called, and what it may do. */
export const roleText: Readonly<Record<Role, { readonly name: string; readonly may: string }>> = {
  painter: { name: 'painter', may: 'sees everything and records what is painted' },
  manager: { name: 'manager', may: 'also changes rosters, recipes, plans and the shelf' },
  owner: { name: 'owner', may: 'also decides who belongs to the studio' },
}
