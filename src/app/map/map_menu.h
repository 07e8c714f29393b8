// SPDX-License-Identifier: GPL-3.0-or-later
// What the map shows and how, as actions: the lens bar, the menus and the palette have the same ones.
#pragma once

#include "wireless/band.h"

class QMenu;

namespace yemvo::app {

class Shell;
class Workspace;

/// Bands, whose radios, the threshold and the lens before and after.
void fill_map_menu(Shell&, QMenu*);
/// Steps or smooth, opacity, value labels, the change against something, the grid.
void fill_colouring_menu(Shell&, QMenu*);

/// Another band alone, or with `also` in or out of those shown; the last one stays.
void choose_band(Workspace&, BandId, bool also);

}  // namespace yemvo::app
