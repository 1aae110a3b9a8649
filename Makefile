SHELL := bash
.SHELLFLAGS := -eu -o pipefail -c
PY ?= python3
V := .venv/bin
S := .stamps
PORT ?= 8000
# Compiled at install, so that the first start is quick even where Python may not write byte code later.
STARTED := alembic annotated_doc anyio click fastapi idna mako numpy pydantic pydantic_core rich sqlalchemy starlette typer uvicorn
PYSRC := $(shell find src -name '*.py')
WEBSRC := $(shell find web/src web/public web/index.html web/vite.config.ts -type f -not -name schema.d.ts 2>/dev/null)
.PHONY: demo test test-long torture bench setup build lint lock clean chromium
setup: $(S)/py $(S)/web
build: $(S)/build
$(S): ; mkdir -p $@
$(S)/py: requirements-dev.txt requirements-uv.txt pyproject.toml | $(S)
	$(PY) -m venv .venv
	$(V)/python -m pip install -q --require-hashes -r requirements-uv.txt
	$(V)/uv pip install -q --python $(V)/python --require-hashes -r requirements-dev.txt || $(V)/python -m pip install -q --require-hashes -r requirements-dev.txt
	$(V)/uv pip install -q --python $(V)/python --no-deps --no-build-isolation -e .
	cd .venv/lib/python3*/site-packages && ../../../bin/python -m compileall -q -j 0 $(STARTED) >/dev/null
	$(V)/python -m compileall -q src/crooked_keel
	touch $@
$(S)/web: web/package.json web/package-lock.json | $(S)
	cd web && npm ci
	touch $@
web/src/api/schema.d.ts: $(S)/py $(S)/web $(PYSRC)
	$(V)/python -m crooked_keel openapi web/openapi.json
	cd web && npm run -s gen
# What the tests of the screen read in the place of a server.
web/demonstrations.json: $(S)/py tests/assessed.py $(PYSRC)
	$(V)/python -m tests.assessed $@
$(S)/build: $(S)/web web/src/api/schema.d.ts $(WEBSRC)
	cd web && npm run -s build
	touch $@
chromium:
	@command -v chromium >/dev/null || { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium fonts-dejavu-core; }
# Seeds the demonstration projects (once) and serves them; PORT=8001 make demo for another port.
demo: $(S)/build
	$(V)/crooked-keel demo --port $(PORT)
lint: $(S)/build
	$(V)/ruff check .
	$(V)/ruff format --check .
	$(V)/mypy
	$(V)/lint-imports
	cd web && npm run -s lint
test: lint chromium web/demonstrations.json
	cd web && npm run -s test
	$(V)/python -m pytest --ignore tests/browser -n auto --dist worksteal --durations=10
	$(V)/python -m pytest tests/browser -n 2 --dist worksteal --durations=10
# Many more random documents and edits than `make test` draws; for the night.
test-long: $(S)/build chromium
	$(V)/python -m pytest --ignore tests/browser -n auto --long --durations=10
	$(V)/python -m pytest tests/browser -n 2 --long --durations=10
# A server killed while it is written to, backed up and restored; it prints what was acknowledged and what was lost.
torture: $(S)/build
	$(V)/python -m pytest tests/store tests/api/test_hostile.py tests/api/test_windows.py -n auto --long
	$(V)/python -m benchmarks.torture 60
bench: $(S)/build chromium
	$(V)/python -m benchmarks.bench
	$(V)/python -m benchmarks.drag
# Writes the pins anew; the files name no registry.
lock: $(S)/py
	$(V)/uv pip compile -q --universal --generate-hashes --python-version 3.11 --no-header --no-annotate pyproject.toml -o requirements.txt
	$(V)/uv pip compile -q --universal --generate-hashes --python-version 3.11 --no-header --no-annotate --group dev -c requirements.txt pyproject.toml -o requirements-dev.txt
	awk '/^uv==/{f=1} f{print} f&&!/\\$$/{exit}' requirements-dev.txt > requirements-uv.txt
clean:
	rm -rf .venv .stamps web/node_modules src/crooked_keel/static web/openapi.json web/demonstrations.json web/src/api/schema.d.ts
