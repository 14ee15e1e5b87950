"""Mean time of a bubble point at the temperatures of `properties.ts` by the CoolProp library, where it is installed.

Reads {"R-410A": {"R-32": 0.5, "R-125": 0.5}, ...} on standard input, by mass; writes {"R-410A": microseconds or null, ...}.
"""

import json
import sys
import time

from CoolProp import AbstractState, QT_INPUTS

WARM_UP = 5
REPEATS = 60


def mean_microseconds(composition: dict[str, float]) -> float | None:
    names = [name.replace("-", "") for name in composition]
    state = AbstractState("HEOS", "&".join(names))
    state.set_mass_fractions(list(composition.values()))
    answered, spent = 0, 0.0
    for k in range(WARM_UP + REPEATS):
        temperature = 253.15 + k % 60
        started = time.perf_counter()
        try:
            state.update(QT_INPUTS, 0.0, temperature)
        except ValueError:
            continue  # it did not converge: its time is not counted
        if k >= WARM_UP:
            answered += 1
            spent += time.perf_counter() - started
    return spent / answered * 1e6 if answered > 0 else None


print(json.dumps({name: mean_microseconds(composition) for name, composition in json.load(sys.stdin).items()}))
