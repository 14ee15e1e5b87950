"""Mean time of a state on the boiling line at the temperatures of `properties.ts` by the CoolProp library, where it is installed.

Reads {name: {"composition": {"R-32": 0.5, "R-125": 0.5}, "vapourShare": 0}, ...} on standard input, the composition by mass, the share by
amount; writes {name: microseconds or null, ...}.
"""

import json
import sys
import time

from CoolProp import AbstractState, QT_INPUTS

WARM_UP = 5
REPEATS = 60


def mean_microseconds(composition: dict[str, float], vapour_share: float) -> float | None:
    names = [name.replace("-", "") for name in composition]
    state = AbstractState("HEOS", "&".join(names))
    state.set_mass_fractions(list(composition.values()))
    answered, spent = 0, 0.0
    for k in range(WARM_UP + REPEATS):
        temperature = 253.15 + k % 60
        started = time.perf_counter()
        try:
            state.update(QT_INPUTS, vapour_share, temperature)
        except ValueError:
            continue  # it did not converge: its time is not counted
        if k >= WARM_UP:
            answered += 1
            spent += time.perf_counter() - started
    return spent / answered * 1e6 if answered > 0 else None


asked = json.load(sys.stdin)
print(json.dumps({name: mean_microseconds(state["composition"], state["vapourShare"]) for name, state in asked.items()}))
