"""A fair curve through a few points."""

from __future__ import annotations

import math
from itertools import pairwise

import numpy as np

# Points nearer to each other than this make no curve, m.
_APART_M = 1e-3


def fair(points: list[tuple[float, float]], between: int = 7) -> list[tuple[float, float]]:
    """A fair curve through points, as a batten lies: so many more between each two of them. The points themselves where
    two of them all but meet, or there are only two.

    Source: centripetal Catmull-Rom spline, which makes no loop within a span (from memory)."""
    if len(points) < 3 or any(math.dist(a, b) < _APART_M for a, b in pairwise(points)):
        return points
    at = np.array(points, float)
    ends = np.vstack([2 * at[0] - at[1], at, 2 * at[-1] - at[-2]])
    knots = np.concatenate([[0.0], np.cumsum(np.linalg.norm(np.diff(ends, axis=0), axis=1) ** 0.5)])
    made = [points[0]]
    for i in range(1, len(ends) - 2):
        (a, b, c, d), (ta, tb, tc, td) = ends[i - 1 : i + 3], knots[i - 1 : i + 3]
        for u in np.linspace(tb, tc, between + 2)[1:]:
            mix = lambda p, q, start, end, u=u: ((end - u) * p + (u - start) * q) / (end - start)
            ab, bc, cd = mix(a, b, ta, tb), mix(b, c, tb, tc), mix(c, d, tc, td)
            x, z = mix(mix(ab, bc, ta, tc), mix(bc, cd, tb, td), tb, tc)
            made.append((float(x), float(z)))
    return made
