/** A PDF that a browser shows. */
export const pdfResponse = ({ bytes, name }: { readonly bytes: Uint8Array; readonly name: string }): Response =>
  new Response(new Blob([bytes as BlobPart]), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${name}"` },
  })
