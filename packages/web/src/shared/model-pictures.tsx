import type { Photo } from '@seriatim/contract'
import type { Commission, Model, Project } from '@seriatim/core/trade'
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

/** What the models on the desk are to look like, where there is a test model and a picture of it is kept. */
export function AsAgreed({ project }: { readonly project: Pick<Project, 'id' | 'commission'> }) {
  const test = project.commission?.testModel ?? null
  return test === null ? null : <PictureOf projectId={project.id} test={test} />
}

function PictureOf({
  projectId,
  test,
}: {
  readonly projectId: ProjectId
  readonly test: NonNullable<TestModel>
}) {
  const photo = usePhotos(projectId).data?.find((each) => each.modelId === test.modelId)
  return photo ? <Picture projectId={projectId} photo={photo} what={testText(test)} /> : null
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
