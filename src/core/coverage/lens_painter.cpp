// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/lens_painter.h"

#include "wireless/link_budget.h"

namespace yemvo {

LensPainter::LensPainter(const FloorPrediction& floor, const LensChoice& choice, BandSet bands)
    : floor_(floor), choice_(choice), bands_(bands), radios_(*floor.radios), cells_(floor.surface.cells()) {
    const std::vector<AccessPointId> only =
        lens(choice.lens).of_failure ? std::vector<AccessPointId>() : choice.only;
    if (bands.single() && only.empty()) {
        reduction_ = floor_.by_band[bands.first().index].get();
        return;
    }
    own_ = reduce(radios_, bands, cells_, only);
    reduction_ = &own_;
}

bool LensPainter::counts(const RadioField& f) const {
    return !f.field->silent && (choice_.only.empty() || std::ranges::count(choice_.only, f.access_point) > 0);
}

std::int16_t LensPainter::least_cdb(const RadioField& f) const {
    return static_cast<std::int16_t>(
        std::clamp(centi_db(choice_.heard_dbm) - f.offset_cdb, silent_cdb + 1, 32767));
}

const std::vector<std::int16_t>& LensPainter::left_after_failure() {
    if (choice_.only.empty()) return reduction_->next_cdbm;
    std::vector<AccessPointId> others;
    for (const RadioField& f : radios_)
        if (std::ranges::count(choice_.only, f.access_point) == 0) others.push_back(f.access_point);
    left_.best_cdbm.assign(padded(cells_), silent_cdb);
    if (!others.empty()) left_ = reduce(radios_, bands_, cells_, others);
    return left_.best_cdbm;
}

}  // namespace yemvo
