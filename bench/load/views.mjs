// All views of a served studio that a maker reads.
export const json = async (base, path) => (await fetch(base + path)).json()

export async function studioOf(base) {
  const commissions = (await json(base, '/api/commissions')).commissions
  const flowers = commissions.flatMap((one) => one.flowers.map((flower) => flower.id))
  const pieces = (await Promise.all(flowers.map((id) => json(base, `/api/flowers/${id}`)))).flatMap((flower) => flower.pieces.map((piece) => piece.id))
  const views = [
    '/api/commissions', '/api/materials', '/api/mixing-table', '/api/batches', '/api/log-entries', '/api/studio', '/api/starting-points', '/api/flower-library', '/api/materials/needs',
    ...commissions.flatMap(({ commission: { id } }) => [
      `/api/paste-day?commissionId=${id}`, `/api/commissions/${id}/dust-day`, `/api/commissions/${id}/run-sheet`, `/api/commissions/${id}/spray`, `/api/commissions/${id}/cohesion`,
    ]),
    ...flowers.flatMap((id) => [`/api/flowers/${id}`, `/api/flowers/${id}/bloom`, `/api/flowers/${id}/cohesion`, `/api/flowers/${id}/run-sheet`]),
    ...pieces.flatMap((id) => [`/api/pieces/${id}`, `/api/pieces/${id}/run-sheet`]),
  ]
  return { commissions, flowers, pieces, views }
}
