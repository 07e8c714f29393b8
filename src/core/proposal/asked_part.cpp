// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/asked_part.h"

#include <algorithm>

#include "proposal/site_cover.h"

namespace yemvo {
namespace {

/// The places together.
PlaceResult together(const PlaceResult& whole, const std::vector<PlaceResult>& places) {
    PlaceResult out;
    out.met.assign(whole.met.size(), 0.0);
    out.hour = whole.hour;
    for (const PlaceResult& p : places) {
        out.asked += p.asked;
        for (std::size_t b = 0; b < out.met.size() && b < p.met.size(); ++b) out.met[b] += p.met[b];
        if (p.met_in_all) out.met_in_all = out.met_in_all.value_or(0) + *p.met_in_all;
        if (p.worst && (!out.worst || p.worst->margin < out.worst->margin)) out.worst = p.worst;
    }
    return out;
}

template <class Place>
void add_areas(BandResult& band, const std::vector<Place>& places) {
    band.demanded_m2 = band.met_m2 = 0;
    for (const Place& p : places) {
        band.demanded_m2 += p.demanded_m2;
        band.met_m2 += p.met_m2;
    }
}

}  // namespace

AskedPart::AskedPart(const Project& project, const ProposalAsk& ask)
    : project_(project), zones_(ask.zones.begin(), ask.zones.end()) {
    for (const FloorId f : floors_asked(project, ask)) floors_.insert(f);
    all_ = zones_.empty() && floors_.size() == all_floors(project).size();
}

bool AskedPart::holds(const PlaceResult& p) const {
    return floors_.contains(p.floor) && (zones_.empty() || zones_.contains(p.zone));
}

bool AskedPart::has(FloorId floor, Point at) const {
    if (!has(floor)) return false;
    return zones_.empty() || std::ranges::any_of(*find_floor(project_, floor)->zones, [&](const Zone& z) {
               return zones_.contains(z.id) && contains(z.outline, at);
           });
}

Verdict AskedPart::of(const Verdict& whole) const {
    if (all_) return whole;
    Verdict out = whole;
    out.uplink.reset();
    const auto elsewhere = [&](const auto& area) { return !floors_.contains(area.floor); };
    const auto other_zone = [&](const auto& area) {
        return elsewhere(area) || (!zones_.empty() && !zones_.contains(area.zone));
    };
    for (RequirementResult& r : out.requirements) {
        std::erase_if(r.floors, elsewhere);
        std::erase_if(r.zones, [&](const PlaceResult& p) { return !holds(p); });
        r.site = together(r.site, zones_.empty() ? r.floors : r.zones);
    }
    for (BandResult& b : out.bands) {
        std::erase_if(b.floors, elsewhere);
        std::erase_if(b.zones, other_zone);
        zones_.empty() ? add_areas(b, b.floors) : add_areas(b, b.zones);
    }
    std::erase_if(out.bands, [](const BandResult& b) { return b.demanded_m2 <= 0; });
    std::erase_if(out.floors, elsewhere);
    std::erase_if(out.zones, other_zone);
    return out;
}

}  // namespace yemvo
