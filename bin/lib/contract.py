"""Signs in and runs schemathesis over the running server's OpenAPI document."""

import json
import os
import subprocess
import sys
import tempfile
import time
import urllib.request

program, address, cases = sys.argv[1:4]

for _ in range(100):
    try:
        urllib.request.urlopen(f"{address}/api/health").read()
        break
    except OSError:
        time.sleep(0.1)

body = json.dumps({"sign_in": "wren@saltgrass", "password": "loose-rein-26"}).encode()
request = urllib.request.Request(f"{address}/api/session", body, {"content-type": "application/json"})
cookie = urllib.request.urlopen(request).headers["set-cookie"].split(";")[0]

# Left out: the stream of changes never ends, and signing out would end the run's own
# session.
done = subprocess.run(
    [
        program, "run", f"{address}/api/openapi.json",
        "--header", f"Cookie: {cookie}",
        "--max-examples", cases,
        "--phases", "examples,coverage,fuzzing",
        "--checks", "not_a_server_error,status_code_conformance,content_type_conformance,"
        "response_schema_conformance,a_refusal_says_what_is_allowed",
        "--exclude-path", "/api/live",
        "--exclude-operation-id", "sign_out",
        "--continue-on-failure",
        "--request-timeout", "30",
        "--suppress-health-check", "all",
        "--seed", "26",
    ],
    check=False,
    # What it remembers of a run stays out of the checkout.
    cwd=tempfile.gettempdir(),
    env={
        **os.environ,
        "SCHEMATHESIS_HOOKS": "contract_checks",
        "PYTHONPATH": os.path.dirname(os.path.abspath(__file__)),
    },
)
sys.exit(done.returncode)
