/** In a menu: what is in hand on a sheet, by the same words and key everywhere. */
import { Menu } from '@mantine/core'

export const ToSheet = ({ href }: { readonly href: string | undefined }) =>
  href === undefined ? (
    <Menu.Item disabled>On a sheet (W)</Menu.Item>
  ) : (
    <Menu.Item component="a" href={href}>
      On a sheet (W)
    </Menu.Item>
  )
