import { trustedTypes } from '../drawing/painted';

/** A picture with nothing in it that could act. */
const isPicture = (html: string): boolean =>
  /^\s*<svg\b/.test(html) && !/<script|<foreignobject|\son\w+\s*=|javascript:/i.test(html);

/**
 * What libraries set as text: NG-ZORRO writes style sheets and icons so, and workers are named by their address. Scripts come
 * from this server alone; all else the browser refuses.
 */
export function trustLibraries(): void {
  trustedTypes?.createPolicy('default', {
    createHTML: (html) => {
      if (html.includes('<') && !isPicture(html)) throw new TypeError('HTML from a text is not taken.');
      return html;
    },
    createScriptURL: (url) => {
      if (new URL(url, location.href).origin !== location.origin) throw new TypeError('Scripts come from this server alone.');
      return url;
    },
  });
}
