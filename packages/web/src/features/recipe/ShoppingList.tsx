import { materialsNeeded } from '@seriatim/core/mixing'
import { followedRecipes } from '@seriatim/core/ordering'
import type { Shelf } from '@seriatim/core/recipe'
import type { Project } from '@seriatim/core/trade'
import { Printer } from 'lucide-react'
import { plural } from '../../shared/format/index.ts'
import { Button, Dialog } from '../../shared/ui/index.ts'
import { millilitres } from './MixCardNote.tsx'

interface ShoppingListProps {
  readonly project: Project
  readonly shelf: Shelf
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

/** What all recipes of the project take, what is there and what to buy. */
export function ShoppingList({ project, shelf, open, onOpenChange }: ShoppingListProps) {
  const needs = materialsNeeded(followedRecipes(project), shelf)
  const toBuy = needs.filter((need) => need.buyPots > 0)
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={
        toBuy.length > 0
          ? `${plural(
              toBuy.reduce((sum, need) => sum + need.buyPots, 0),
              'pot',
            )} to buy`
          : 'Everything is on the shelf'
      }
      description={`For ${project.name}. Amounts are estimates from area and coverage; stock is what the shelf says.`}
      wide
    >
      {needs.length === 0 ? (
        <p>No unit follows a recipe yet.</p>
      ) : (
        <table className="w-full text-left">
          <thead>
            <tr className="border-b-2 border-ink text-sm">
              <th scope="col">Material</th>
              <th scope="col">Takes</th>
              <th scope="col">On the shelf</th>
              <th scope="col">Buy</th>
            </tr>
          </thead>
          <tbody>
            {needs.map(({ material, ml, pieces, buyPots }) => (
              <tr key={material.id} className="border-b border-paper-edge">
                <th scope="row" className="py-1 font-normal">
                  <span
                    aria-hidden="true"
                    className="mr-2 inline-block size-4 rounded-full border border-rule align-middle"
                    style={{ background: material.colour }}
                  />
                  {material.name}
                </th>
                <td className="figures">{pieces > 0 ? plural(pieces, 'piece') : millilitres(ml)}</td>
                <td className="figures">{material.potMl > 0 ? millilitres(material.stockMl) : ''}</td>
                <td className="figures font-bold">{buyPots > 0 ? plural(buyPots, 'pot') : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Button className="no-print mt-4" onClick={() => window.print()}>
        <Printer aria-hidden="true" size={18} /> Print
      </Button>
    </Dialog>
  )
}
