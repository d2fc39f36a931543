import type { ReactNode } from 'react'
import { Link, useLocation } from 'wouter'

/** A link to a place, which says whether one is there or further in. @param isHere Where that says more than the address. */
export function NavLink({
  to,
  isHere,
  className,
  children,
}: {
  to: string
  isHere?: boolean
  className: string | ((isHere: boolean) => string)
  children: ReactNode
}) {
  const [path] = useLocation()
  const here = isHere ?? (path === to || path.startsWith(`${to}/`))
  return (
    <Link
      to={to}
      aria-current={here ? 'page' : undefined}
      className={typeof className === 'string' ? className : className(here)}
    >
      {children}
    </Link>
  )
}
