#!/usr/bin/env bash
# Sees to it that Debian's Chromium is there for the browser tests: installs it as root, else says what to do.
set -eu
[ -x /usr/bin/chromium ] && exit 0
if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    echo "Installing Debian's chromium for the browser tests"
    apt-get update -qq
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium >/dev/null
    exit 0
fi
echo "The browser tests need /usr/bin/chromium. Install it as root: apt-get install chromium" >&2
exit 1
