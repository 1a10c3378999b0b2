import { Link, type LinkProps } from 'react-router';
import { buttonLook } from './Button';

/** The one thing to do next, where it leads to another page. */
export function ButtonLink({ className = '', ...rest }: LinkProps) {
  return <Link className={`${buttonLook} bg-cobalt px-3 text-on-cobalt hover:brightness-110 ${className}`} {...rest} />;
}
