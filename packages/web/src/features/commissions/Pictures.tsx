import type { Photo, PhotoFields } from '@seriatim/contract'
import { ImagePlus, Trash2 } from 'lucide-react'
import { useId, useState } from 'react'
import { toast } from 'sonner'
import { usePhotoChange, usePhotos, usePicture } from '../../shared/api/index.ts'
import { dayText } from '../../shared/format/index.ts'
import { useCurrentProject, type ShownProject } from '../../shared/project/index.ts'
import { CheckField, CommitField, IconButton, SelectField } from '../../shared/ui/index.ts'
import { fileAsBase64 } from './file-as-base64.ts'

const plain = { caption: '', modelId: null, stageId: null, released: false }

/** Pictures of the models as they come along; the client sees those that are released. */
export function Pictures() {
  const project = useCurrentProject()
  const photos = usePhotos(project.id)
  const change = usePhotoChange(project.id)
  const [fault, setFault] = useState<string | null>(null)
  const inputId = useId()
  const add = async (files: readonly File[]) => {
    setFault(null)
    for (const file of files) {
      try {
        await change.mutateAsync({ kind: 'add', image: await fileAsBase64(file), fields: plain })
      } catch (error) {
        setFault(`${file.name}: ${error instanceof Error ? error.message : 'it could not be sent.'}`)
      }
    }
  }
  return (
    <section className="ticket p-4" aria-labelledby="pictures">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="pictures" className="grow text-xl">
          Pictures
        </h2>
        <label
          htmlFor={inputId}
          className="inline-flex min-h-11 cursor-pointer items-center gap-2 rounded-[3px] border-2 border-ink bg-paper px-4 py-1.5 font-bold focus-within:outline-2"
        >
          <ImagePlus aria-hidden="true" size={18} />
          {change.isPending ? 'Being kept …' : 'Add pictures'}
          <input
            id={inputId}
            type="file"
            className="sr-only"
            accept="image/jpeg,image/png,image/webp"
            multiple
            disabled={change.isPending}
            onChange={(event) => {
              const files = [...(event.target.files ?? [])]
              event.target.value = ''
              void add(files)
            }}
          />
        </label>
      </div>
      <p className="mt-1 text-sm text-ink-soft">
        Kept small and upright, without where and by what they were taken. The client sees those that are
        released.
      </p>
      {fault === null ? null : (
        <p role="alert" className="mt-2 font-bold text-hands">
          {fault}
        </p>
      )}
      <ul className="mt-3 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {(photos.data ?? []).map((photo) => (
          <PhotoTicket key={photo.id} photo={photo} project={project} />
        ))}
      </ul>
    </section>
  )
}

function PhotoTicket({ photo, project }: { readonly photo: Photo; readonly project: ShownProject }) {
  const picture = usePicture(project.id, photo.id)
  const change = usePhotoChange(project.id)
  const { id } = photo
  // What was set is shown at once, and taken back where the server refuses it.
  const [wanted, setWanted] = useState<PhotoFields | null>(null)
  const { caption, modelId, stageId, released } = wanted ?? photo
  const set = (some: Partial<PhotoFields>) => {
    const fields = { caption, modelId, stageId, released, ...some }
    setWanted(fields)
    change.mutate(
      { kind: 'set', photoId: id, fields },
      { onError: (error) => toast.error(error.message), onSettled: () => setWanted(null) },
    )
  }
  const models = project.units.flatMap((unit) => unit.models)
  const shows = models.find((model) => model.id === modelId)
  const after = project.line.find((stage) => stage.id === stageId)
  return (
    <li className="border border-paper-edge p-2">
      <div className="flex aspect-4/3 items-center justify-center bg-paper-dim">
        {picture.data ? (
          <img
            src={picture.data}
            alt={
              caption ||
              [shows?.name, after && `after ${after.name.toLowerCase()}`].filter(Boolean).join(', ') ||
              `Taken ${dayText(photo.madeAt)}`
            }
            className="max-h-full max-w-full"
          />
        ) : null}
      </div>
      <div className="mt-2 grid grid-cols-2 items-start gap-2">
        <CommitField
          className="col-span-2"
          label="What it shows"
          value={caption}
          check={(text) => (text.length > 200 ? 'Keep it under 200 characters.' : null)}
          onCommit={(text) => set({ caption: text.trim() })}
        />
        <SelectField
          label="Model"
          value={modelId ?? ''}
          onChange={(event) =>
            set({ modelId: models.find((model) => model.id === event.target.value)?.id ?? null })
          }
          options={[
            { value: '', text: 'several' },
            ...models.map((model) => ({ value: model.id, text: model.name })),
          ]}
        />
        <SelectField
          label="After stage"
          value={after?.id ?? ''}
          onChange={(event) =>
            set({ stageId: project.line.find((stage) => stage.id === event.target.value)?.id ?? null })
          }
          options={[
            { value: '', text: 'nobody said' },
            ...project.line.map((stage) => ({ value: stage.id, text: stage.name })),
          ]}
        />
      </div>
      <div className="mt-1 flex items-center justify-between">
        <CheckField
          label="The client sees it"
          checked={released}
          onChange={(event) => set({ released: event.target.checked })}
        />
        <IconButton
          label={`Take away the picture ${caption || dayText(photo.madeAt)}`}
          onClick={() => change.mutate({ kind: 'remove', photoId: id })}
        >
          <Trash2 aria-hidden="true" size={18} />
        </IconButton>
      </div>
    </li>
  )
}
