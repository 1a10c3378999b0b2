import { Link, type LinkProps } from 'react-router';
import { mainLook } from './Button';

/** The one thing to do next, where it leads to another page. */
export function ButtonLink({ className = '', ...rest }: LinkProps) {
  return <Link className={`${mainLook} ${className}`} {...rest} />;
}
