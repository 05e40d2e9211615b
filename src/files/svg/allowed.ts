import { addressesIn, rulesIn, type Rule } from './css';

/** Elements that only draw. Whatever is not here is left out with all that is in it. */
export const ELEMENTS: ReadonlySet<string> = new Set(
  (
    'svg g defs symbol use switch a path rect circle ellipse line polyline polygon image ' +
    'linearGradient radialGradient stop pattern clipPath mask marker style filter ' +
    'feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap ' +
    'feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge feMergeNode ' +
    'feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence'
  ).split(' '),
);

/** Elements that make a mark of their own: the parts that can be left out. */
export const PARTS: ReadonlySet<string> = new Set(
  'path rect circle ellipse line polyline polygon image use'.split(' '),
);

/** Elements whose content is drawn only where it is referred to. */
export const HIDDEN: ReadonlySet<string> = new Set(
  'defs symbol clipPath mask marker pattern linearGradient radialGradient filter'.split(' '),
);

/** Attributes that only say how something is drawn. */
export const ATTRIBUTES: ReadonlySet<string> = new Set(
  (
    'id class style transform d x y width height cx cy r rx ry x1 y1 x2 y2 fx fy fr points viewBox ' +
    'preserveAspectRatio gradientUnits gradientTransform spreadMethod offset patternUnits patternContentUnits ' +
    'patternTransform clipPathUnits maskUnits maskContentUnits markerUnits markerWidth markerHeight refX refY ' +
    'orient filterUnits primitiveUnits pathLength in in2 result mode type values tableValues slope intercept ' +
    'amplitude exponent operator k1 k2 k3 k4 order kernelMatrix divisor bias targetX targetY edgeMode ' +
    'preserveAlpha surfaceScale diffuseConstant specularConstant specularExponent scale xChannelSelector ' +
    'yChannelSelector azimuth elevation stdDeviation dx dy radius z pointsAtX pointsAtY pointsAtZ ' +
    'limitingConeAngle baseFrequency numOctaves seed stitchTiles ' +
    'fill fill-opacity fill-rule stroke stroke-width stroke-opacity stroke-linecap stroke-linejoin ' +
    'stroke-miterlimit stroke-dasharray stroke-dashoffset opacity display visibility color clip-path clip-rule ' +
    'mask mask-type filter marker marker-start marker-mid marker-end stop-color stop-opacity flood-color ' +
    'flood-opacity lighting-color color-interpolation color-interpolation-filters paint-order shape-rendering ' +
    'image-rendering mix-blend-mode isolation overflow enable-background vector-effect'
  ).split(' '),
);

/** What live text is made of and set by, besides: only where it is about to be outlined. */
export const WORD_ELEMENTS: ReadonlySet<string> = new Set('text tspan textPath'.split(' '));
export const WORD_ATTRIBUTES: ReadonlySet<string> = new Set(
  (
    'font-family font-size font-weight font-style font-stretch font-variant letter-spacing word-spacing ' +
    'text-anchor text-decoration dominant-baseline alignment-baseline baseline-shift writing-mode direction ' +
    'rotate textLength lengthAdjust startOffset xml:space font-kerning'
  ).split(' '),
);

/** An address that stays inside the drawing, or a picture that is written into it. */
const INSIDE = /^#[^\s"'<>]+$/;
const PICTURE = /^data:image\/(png|jpe?g|gif|webp);base64,[A-Za-z0-9+/=\s]+$/;

/** What may be drawn by reference: a part of the drawing itself, and for an image a picture written into it. */
export function isAllowedAddress(tag: string, address: string): boolean {
  const bare = address.trim();
  return INSIDE.test(bare) || (tag === 'image' && PICTURE.test(bare));
}

/** Whether a value refers to nothing but parts of the drawing itself. */
export function isAllowedValue(value: string): boolean {
  if (/javascript:|expression\(|expression\s|@import|\\/i.test(value)) return false;
  return addressesIn(value)?.every((to) => INSIDE.test(to)) ?? false;
}

/** A style sheet's plain rules: at-rules and rules that refer outside are left out. */
export function allowedRules(sheet: string): Rule[] {
  return rulesIn(sheet).filter(({ selector, body }) => isAllowedValue(selector) && isAllowedValue(body));
}
