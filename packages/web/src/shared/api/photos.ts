import { routes, type PhotoFields } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { v7 } from 'uuid'
import { call } from './call.ts'
import { takeAnswer } from './take-answer.ts'

const photosQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['photos', id],
    queryFn: ({ signal }) => call(routes.listPhotos, { params: { id } }, signal).then(({ photos }) => photos),
  })

/** What is said of the pictures of a project, the newest first. */
export const usePhotos = (id: ProjectId) => useQuery(photosQuery(id))

type PhotoChange =
  | { readonly kind: 'add'; readonly image: string; readonly fields: PhotoFields }
  | { readonly kind: 'set'; readonly photoId: string; readonly fields: PhotoFields }
  | { readonly kind: 'remove'; readonly photoId: string }

export function usePhotoChange(id: ProjectId) {
  const client = useQueryClient()
  return useMutation({
    scope: { id: `photos ${id}` },
    mutationFn: (change: PhotoChange) => {
      if (change.kind === 'add') {
        const body = { ...change.fields, id: v7(), image: change.image }
        return call(routes.addPhoto, { params: { id }, body })
      }
      const params = { id, photoId: change.photoId }
      return change.kind === 'set'
        ? call(routes.setPhoto, { params, body: change.fields })
        : call(routes.removePhoto, { params })
    },
    onSuccess: ({ photos }) => takeAnswer(client, photosQuery(id).queryKey, photos),
  })
}

/** A picture as an address that a page can show; it never changes. */
const pictureQuery = (key: readonly string[], ask: (signal: AbortSignal) => Promise<{ picture: string }>) =>
  queryOptions({
    queryKey: ['picture', ...key],
    queryFn: ({ signal }) => ask(signal).then(({ picture }) => picture),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })

export const usePicture = (id: ProjectId, photoId: string) =>
  useQuery(
    pictureQuery([id, photoId], (signal) => call(routes.readPhoto, { params: { id, photoId } }, signal)),
  )

/** The same for a client, behind their link. */
export const useSharedPicture = (token: string, photoId: string) =>
  useQuery(
    pictureQuery([token, photoId], (signal) =>
      call(routes.readSharedPhoto, { params: { token, photoId } }, signal),
    ),
  )
