#!/bin/sh
# SPDX-License-Identifier: GPL-3.0-or-later
# Installs what Qt, Python and the tests need from the system, where that may be done
# without asking; otherwise says in one line what to type. Does nothing if all is there.
set -u

wanted="python3-venv libegl1 libgl1 libglib2.0-0 libfontconfig1 libdbus-1-3 libxkbcommon0 libxkbcommon-x11-0
libxcb-cursor0 libxcb-icccm4 libxcb-image0 libxcb-keysyms1 libxcb-randr0 libxcb-render-util0 libxcb-shape0
libxcb-xinerama0 xvfb desktop-file-utils"

if ! command -v apt-get >/dev/null 2>&1 || ! command -v dpkg-query >/dev/null 2>&1; then
    echo "This is not a Debian-like system: install Qt's X11 libraries and Xvfb with its own package manager if something is missing."
    exit 0
fi

missing=""
for package in $wanted; do
    state=$(dpkg-query -W -f='${Status}' "$package" 2>/dev/null || true)
    # From Debian 13 and Ubuntu 24.04 on, some libraries carry t64 in their names.
    [ "$state" = "install ok installed" ] && continue
    state=$(dpkg-query -W -f='${Status}' "${package}t64" 2>/dev/null || true)
    [ "$state" = "install ok installed" ] && continue
    case "$package" in
        python3-venv) python3 -c 'import ensurepip, venv' 2>/dev/null && continue ;;
    esac
    missing="$missing $package"
done
[ -z "$missing" ] && exit 0

if [ "$(id -u)" = 0 ]; then
    as_root=""
elif command -v sudo >/dev/null 2>&1 && sudo -n true 2>/dev/null; then
    as_root="sudo -n"
else
    echo "Some system packages are missing. Please type:  sudo apt-get install$missing"
    exit 1
fi
echo "Installing system packages:$missing"
export DEBIAN_FRONTEND=noninteractive
# shellcheck disable=SC2086
if ! { $as_root apt-get update -qq && $as_root apt-get install -y -qq --no-install-recommends $missing; } >/dev/null; then
    echo "The packages could not be installed. Please type:  sudo apt-get install$missing"
    exit 1
fi
