// SPDX-License-Identifier: GPL-3.0-or-later
// What a unit would ask of the building, wherever it hangs.
#include "coverage/lenses/lens_entries.h"

namespace yemvo {
namespace {

void paint_link(LensPainter& p, LensPlane& out) {
    const CableLengths* cables = p.floor().cables.get();
    if (cables)
        out = cables->link_m;
    else
        out.assign(p.cells(), LensPainter::no_value);
}

}  // namespace

std::vector<LensEntry> cable_lenses() {
    LensInfo info{
        LensId::cable,
        LensGroup::cabling,
        LensKind::amount,
        "cable",
        mark("Cable to the closet"),
        "m",
        0,
        10,
        90,
        5,
        false,
        mark("How long the permanent link of a unit hung here would be, to the closet with the best "
             "way, drops and slack counted.")};
    info.needs.cables = true;
    return {{std::move(info), paint_link}};
}

}  // namespace yemvo
