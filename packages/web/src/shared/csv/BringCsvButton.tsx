import { Upload } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../ui/index.ts'
import { BringCsvDialog, type BringCsvDialogProps } from './BringCsvDialog.tsx'

type BringCsvButtonProps<T, Column extends string> = Omit<
  BringCsvDialogProps<T, Column>,
  'open' | 'onOpenChange'
> & { readonly label: string }

/** Opens the dialog that takes rows of a CSV. */
export function BringCsvButton<T, Column extends string>({
  label,
  ...dialog
}: BringCsvButtonProps<T, Column>) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <Upload aria-hidden="true" size={18} /> {label}
      </Button>
      <BringCsvDialog {...dialog} open={open} onOpenChange={setOpen} />
    </>
  )
}
