import type { ThemeConfig } from 'antd';
import { mix, textOn } from '@/core/view/palette';
import type { Palette } from '@/core/view/schemes';

const FONT = 'var(--font)';

/** Ant Design's theme from the same palette as our own CSS. Sizes are multiplied, since Ant counts in pixels. */
export function themeFor(palette: Palette, magnification: number): ThemeConfig {
  const px = (size: number) => Math.round(size * magnification);
  // What Ant Design would work out for what is pointed at or pressed is too faint to be read.
  const pointed = mix(palette.accent, palette.ink, 0.25);
  const pressed = mix(palette.accent, palette.ink, 0.5);
  const wrong = textOn(palette.flag, [palette.sheet, palette.ground, palette.wash], palette);
  return {
    token: {
      fontFamily: FONT,
      fontSize: px(16),
      controlHeight: px(44),
      borderRadius: px(9),
      colorPrimary: palette.accent,
      colorPrimaryHover: pointed,
      colorPrimaryActive: pressed,
      colorLink: palette.accent,
      colorTextLightSolid: palette.onAccent,
      colorText: palette.ink,
      colorTextHeading: palette.ink,
      colorTextSecondary: palette.soft,
      colorTextDescription: palette.soft,
      colorTextPlaceholder: palette.soft,
      // What cannot be pressed yet is read all the same, in dark colors too.
      colorTextDisabled: palette.soft,
      colorTextTertiary: palette.soft,
      colorTextQuaternary: palette.soft,
      colorBgContainerDisabled: palette.ground,
      colorIcon: palette.ink,
      colorIconHover: palette.accent,
      colorBgBase: palette.sheet,
      colorBgContainer: palette.sheet,
      colorBgElevated: palette.sheet,
      colorBgLayout: palette.ground,
      colorBgMask: 'rgba(10, 16, 16, 0.55)',
      colorBorder: palette.edge,
      colorBorderSecondary: palette.line,
      colorSplit: palette.line,
      colorError: wrong,
      colorErrorText: wrong,
      colorErrorHover: mix(wrong, palette.ink, 0.25),
      colorErrorActive: mix(wrong, palette.ink, 0.5),
      colorFillAlter: palette.wash,
      controlOutline: palette.focus,
      motion: false,
    },
    components: {
      Button: { primaryShadow: 'none', defaultShadow: 'none', dangerShadow: 'none', fontWeight: 600 },
    },
  };
}
