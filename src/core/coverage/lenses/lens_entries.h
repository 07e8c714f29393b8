// SPDX-License-Identifier: GPL-3.0-or-later
// The table of lenses: each is one entry, with what it is called, what it needs and how it is painted. A new
// lens is an entry in one of these files (or in a file of its own, added in lens.cpp) and its id.
#pragma once
#include <vector>

#include "coverage/lens.h"
#include "coverage/lens_painter.h"

namespace yemvo {

struct LensEntry {
    LensInfo info;
    void (*paint)(LensPainter&, LensPlane& out);  ///< out has as many values as the painter has cells
};

std::vector<LensEntry> reach_lenses();
std::vector<LensEntry> air_lenses();
std::vector<LensEntry> service_lenses();
std::vector<LensEntry> capacity_lenses();
std::vector<LensEntry> cable_lenses();

const LensEntry& lens_entry(LensId);

}  // namespace yemvo
