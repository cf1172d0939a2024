"""What a schema cannot say may still be refused: a day that depends on today, a rung
that its skill does not have, a gate that does not hang together. Such a refusal names
its field and says what is allowed; every other refusal of documented input is a fault.
"""

import re

import schemathesis
from schemathesis import GenerationMode

SAID_BY_NO_SCHEMA = [
    r"must be \d{4}-\d{2}-\d{2}.* to \d{4}-\d{2}-\d{2}",  # days around today
    r"no skill \"|on this ladder|is asked |has .*, found |records ",  # what the ladder has
    r"no fault \"",
    r"there is nothing to overrule",
    r"must be at most first_ask_days|unknown field|missing field|invalid type|must be .* to .*, found",  # gates are free-form objects
    r"no choice \"",  # schools
    r"cannot be printed|letters must be 1 to",  # white space alone is no text
    r"in this batch twice",
    r"must not be before 2020-01-01",
]


@schemathesis.check
def a_refusal_says_what_is_allowed(_context, response, case):
    if response.status_code != 422:
        return
    errors = response.json()["errors"]
    assert errors, "a 422 names no field"
    for error in errors:
        assert len(error["says"]) > 8, f"a 422 does not say what is allowed: {error}"
    if case.meta is None or case.meta.generation.mode != GenerationMode.POSITIVE:
        return
    for error in errors:
        known = any(re.search(reason, error["says"]) for reason in SAID_BY_NO_SCHEMA)
        assert known, f"documented input is refused: {error}"
