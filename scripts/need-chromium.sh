#!/usr/bin/env bash
# Sees to it that Debian's Chromium is there for the browser tests: installs it as root, else says what to do. Its
# headless shell, where there is one, takes two thirds of the time; the tests run in either.
set -eu
missing() { [ ! -x /usr/bin/chromium ] || [ ! -x /usr/bin/chromium-headless-shell ]; }
install() { DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null; }
missing || exit 0
if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    echo "Installing Debian's chromium for the browser tests"
    apt-get update -qq
    install chromium chromium-headless-shell || install chromium
fi
if [ ! -x /usr/bin/chromium ]; then
    echo "The browser tests need /usr/bin/chromium. Install it as root: apt-get install chromium" >&2
    exit 1
fi
