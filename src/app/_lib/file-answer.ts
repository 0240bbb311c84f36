/** A calendar file as an answer. */
export const calendarAnswer = (text: string, name: string): Response =>
  new Response(text, {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}"`,
    },
  });

/** A PDF as an answer, shown in the browser. */
export const pdfAnswer = (bytes: Buffer, name: string): Response =>
  new Response(new Uint8Array(bytes), {
    headers: { 'Content-Type': 'application/pdf', 'Content-Disposition': `inline; filename="${name}"` },
  });
