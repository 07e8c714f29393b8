// What the map shows and how, as actions: the lens bar, the menus and the palette have the same ones.
#pragma once
#include <vector>

#include "app/model/workspace.h"
#include "wireless/band.h"

class QAction;
class QMenu;

namespace yemvo::app {

/// Bands, whose radios, the threshold and the lens before and after. Returns the actions.
std::vector<QAction*> fill_map_menu(QMenu*, Workspace&);
/// Steps or smooth, opacity, value labels, the change against something, the grid.
std::vector<QAction*> fill_colouring_menu(QMenu*, Workspace&);

/// Another band alone, or with `also` in or out of those shown; the last one stays.
void choose_band(Workspace&, BandId, bool also);

}  // namespace yemvo::app
