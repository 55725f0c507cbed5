import { chakra, Flex } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';

/** The title of a place with a word on what it is for, and what stands beside it. */
export function PageTitle({
  title,
  intro,
  children,
}: {
  readonly title: string;
  readonly intro?: string;
  readonly children?: ReactNode;
}) {
  return (
    <>
      <Flex align="baseline" gap="18px" wrap="wrap" mt="14px" mb="4px">
        <chakra.h1 fontFamily="heading" fontSize="place" fontWeight={500}>
          {title}
        </chakra.h1>
        <chakra.span display="contents" _print={{ display: 'none' }}>
          {children}
        </chakra.span>
      </Flex>
      {intro && (
        <chakra.p color="inkSoft" mb="14px" maxWidth="62rem" _print={{ display: 'none' }}>
          {intro}
        </chakra.p>
      )}
    </>
  );
}

/** A heading within a place. */
export const SectionTitle = chakra('h2', {
  base: { fontFamily: 'heading', fontSize: 'section', fontWeight: 600, mb: '6px' },
});

const ViewLink = chakra(NavLink, {
  base: {
    px: '14px',
    py: '9px',
    minHeight: '44px',
    textDecoration: 'none',
    borderWidth: '1.5px',
    borderColor: 'line',
    borderRadius: 'field',
    '&.active': { borderColor: 'ink', fontWeight: 700, bg: 'panel' },
  },
});

/** The views of one place, as links. */
export function ViewLinks({
  views,
  label,
}: {
  readonly views: readonly (readonly [string, string])[];
  readonly label: string;
}) {
  return (
    <chakra.nav aria-label={label} display="flex" gap="8px" flexWrap="wrap" mb="16px" _print={{ display: 'none' }}>
      {views.map(([to, text]) => (
        <ViewLink key={to} to={to} end>
          {text}
        </ViewLink>
      ))}
    </chakra.nav>
  );
}
