let known: { drawn: boolean; software: boolean } | undefined;

/** What draws solid bodies in this browser; asked once. */
function graphics(): { drawn: boolean; software: boolean } {
  known ??= (() => {
    try {
      const context = document.createElement('canvas').getContext('webgl2');
      if (!context) return { drawn: false, software: false };
      const about = context.getExtension('WEBGL_debug_renderer_info');
      const renderer = about ? String(context.getParameter(about.UNMASKED_RENDERER_WEBGL)) : '';
      context.getExtension('WEBGL_lose_context')?.loseContext();
      return { drawn: true, software: /swiftshader|llvmpipe|software|basic render/i.test(renderer) };
    } catch {
      return { drawn: false, software: false };
    }
  })();
  return known;
}

/** Whether this browser draws solid bodies at all (WebGL). */
export const drawsSolids = (): boolean => graphics().drawn;

/** Without a graphics card every point is computed. */
export const drawsInSoftware = (): boolean => graphics().software;
