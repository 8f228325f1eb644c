import type { Photo } from '@seriatim/contract'
import type { Commission, Model, Project, Stage } from '@seriatim/core/trade'
import type { ProjectId } from '@seriatim/core/units'
import { usePhotos, usePicture } from './api/index.ts'
import { dayText } from './format/index.ts'

const mostShown = 4

interface ModelPicturesProps {
  readonly project: Pick<Project, 'id' | 'units' | 'commission'>
  readonly model: Pick<Model, 'id' | 'name'>
}

type TestModel = Commission['testModel']

/** Whether the client said yes to it. */
const testText = (test: TestModel) =>
  test === null || test.agreedOn === null ? 'the test model' : 'as agreed'

/** Pictures of a model, and beside them one of the test model: what it is to look like. */
export function ModelPictures({ project, model }: ModelPicturesProps) {
  const photos = usePhotos(project.id).data ?? []
  const test = project.commission?.testModel ?? null
  const own = photos.filter((photo) => photo.modelId === model.id)
  const reference =
    test?.modelId === model.id ? [] : photos.filter((photo) => photo.modelId === test?.modelId)
  const shown = [
    ...reference.slice(0, 1).map((photo) => ({ photo, what: testText(test) })),
    ...own.map((photo) => ({ photo, what: photo.caption || dayText(photo.madeAt) })),
  ].slice(0, mostShown)
  if (shown.length === 0) return null
  return (
    <ul className="mt-4 flex flex-wrap gap-3" aria-label={`Pictures of ${model.name}`}>
      {shown.map(({ photo, what }) => (
        <li key={photo.id}>
          <Picture projectId={project.id} photo={photo} what={what} />
        </li>
      ))}
    </ul>
  )
}

interface AsAgreedProps {
  readonly project: Pick<Project, 'id' | 'commission'>
  readonly stage: Pick<Stage, 'id' | 'name'>
}

/**
 * What the models on the desk are to look like: after this stage where a picture of that is kept, the test model's before
 * all others; else the test model as it is.
 */
export function AsAgreed({ project, stage }: AsAgreedProps) {
  const photos = usePhotos(project.id).data ?? []
  const test = project.commission?.testModel ?? null
  const ofTest = photos.filter((each) => each.modelId === test?.modelId)
  const isAfter = (each: Photo) => each.stageId === stage.id
  const after = ofTest.find(isAfter) ?? photos.find(isAfter)
  const photo = after ?? ofTest[0]
  if (!photo) return null
  const what = after ? `after ${stage.name.toLowerCase()}` : testText(test)
  return <Picture projectId={project.id} photo={photo} what={what} />
}

interface PictureProps {
  readonly projectId: ProjectId
  readonly photo: Photo
  readonly what: string
}

function Picture({ projectId, photo, what }: PictureProps) {
  const picture = usePicture(projectId, photo.id)
  return (
    <figure className="w-36">
      <div className="flex aspect-4/3 items-center justify-center bg-paper-dim">
        {picture.data ? <img src={picture.data} alt="" className="max-h-full max-w-full" /> : null}
      </div>
      <figcaption className="text-sm text-ink-soft">{what}</figcaption>
    </figure>
  )
}
