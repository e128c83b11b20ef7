# Dace: `make demo` sets up, builds, loads the demo garden and serves; `make test` runs every test.
SHELL := /bin/bash
PY := .venv/bin/python
export DACE_DATA ?= $(CURDIR)/var
PORT ?= 8000
# Weir Yard stands, and its clock starts, on this day; DACE_NOW= (empty) is the real one.
demo dev: export DACE_NOW ?= 2026-07-14T17:40
SERVED = DJANGO_SETTINGS_MODULE=dace.project.settings.production DACE_SECRET_KEY="$$(cat $(DACE_DATA)/secret_key)"

.PHONY: demo test dev check shots bench seasons hard api fmt lock setup web browser secret

demo: web secret $(DACE_DATA)/static/.done
	@echo "Dace is at http://127.0.0.1:$(PORT)  (Ctrl-C stops it)"
	DACE_DEMO=1 $(SERVED) $(PY) manage.py serve --migrate --demo --listen 127.0.0.1:$(PORT)

test: web browser
	$(PY) manage.py test tests --parallel 2

check: web
	.venv/bin/ruff check . && .venv/bin/ruff format --check .
	.venv/bin/mypy
	.venv/bin/lint-imports
	$(PY) manage.py makemigrations --check --dry-run
	for https in 0 1; do DACE_HTTPS=$$https DACE_SECRET_KEY=$$(printf "%.0slong-and-only-for-this-check-" 1 2 3) \
	  DJANGO_SETTINGS_MODULE=dace.project.settings.production $(PY) manage.py check --deploy --fail-level WARNING || exit 1; done
	cd web && npm run --silent check && npm run --silent lint
	$(MAKE) api
	cd web && npm run --silent texts
	git diff --exit-code -- web/openapi.json web/src/api/schema.d.ts web/src/texts

dev: setup secret
	$(PY) manage.py migrate -v0 && DACE_DEMO=1 $(PY) manage.py demo
	@trap 'kill 0' INT TERM EXIT; (cd web && npm run --silent dev) & \
	  DACE_DEMO=1 $(PY) manage.py runserver 127.0.0.1:$(PORT)

shots: web browser
	$(PY) -m tools.shots

seasons: setup
	$(PY) -m tools.seasons --keep

hard: web
	DACE_WHOLE=1 $(PY) manage.py test tests.core tests.exchange tests.demo tests.project \
	  tests.api.test_promises tests.browser.test_far_tubs --parallel 2
	$(PY) -m tools.hard.slow
	$(PY) -m tools.hard.asked
	$(PY) -m tools.hard.killed
	$(PY) -m tools.hard.races
	$(PY) -m tools.hard.imports
	$(PY) -m tools.hard.soak

bench: web browser
	$(PY) -m tools.bench

api: setup
	@DJANGO_SETTINGS_MODULE=dace.project.settings.testing $(PY) manage.py export_openapi_schema \
	  --api dace.project.api.api --indent 2 --sorted > web/openapi.json
	cd web && npm run --silent api

fmt: setup
	.venv/bin/ruff check --fix-only . ; .venv/bin/ruff format .
	cd web && npm run --silent fmt

lock:
	.venv/bin/python -m pip install -q pip-tools && .venv/bin/pip-compile --quiet --generate-hashes \
	  --strip-extras --no-emit-index-url --no-emit-trusted-host --no-emit-find-links --no-header --no-annotate \
	  -o requirements.txt requirements.in

setup: .venv/.done web/node_modules/.done

.venv/.done: requirements.txt
	python3 -m venv .venv
	.venv/bin/python -m pip install -q --disable-pip-version-check --require-hashes -r requirements.txt
	@touch $@

web/node_modules/.done: web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

web: web/dist/manifest.json

web/dist/manifest.json: .venv/.done web/node_modules/.done $(shell find web/src web/root docs/guide docs/screenshots web/*.ts web/*.json dace/project/templates -type f 2>/dev/null)
	cd web && npm run --silent build

# gathered and compressed once for a build
$(DACE_DATA)/static/.done: web/dist/manifest.json | secret
	$(SERVED) $(PY) manage.py collectstatic --noinput -v0
	@touch $@

secret:
	@mkdir -p $(DACE_DATA)
	@[ -s $(DACE_DATA)/secret_key ] || (umask 077; \
	  $(PY) -c "import secrets; print(secrets.token_urlsafe(50))" > $(DACE_DATA)/secret_key)

browser:
	@if [ ! -x /usr/bin/chromium ]; then \
	  if [ "$$(id -u)" = 0 ]; then apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null; \
	  else echo "The browser tests want Chromium: run  sudo apt-get install chromium  once."; exit 1; fi; fi
