// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/worst_places.h"

#include <algorithm>

#include "coverage/margins.h"

namespace yemvo {
namespace {

using Cells = std::vector<std::uint8_t>;

bool matters_more(const WorstPlace& a, const WorstPlace& b) {
    if (a.on_floor != b.on_floor) return a.on_floor > b.on_floor;
    if (a.area_m2 != b.area_m2) return a.area_m2 > b.area_m2;
    return a.floor < b.floor;  // the same order whichever floor was looked at first
}

struct Candidate {
    WorstPlace place;
    std::vector<std::size_t> cells;
};

/// The connected area of missed cells round `start`, taken out of `missed`.
std::vector<std::size_t> take_area(Cells& missed, const Surface& s, std::size_t start) {
    std::vector<std::size_t> area{start};
    missed[start] = 0;
    const auto columns = static_cast<std::size_t>(s.columns);
    const auto take = [&](bool there, std::size_t i) {
        if (!there || !missed[i]) return;
        missed[i] = 0;
        area.push_back(i);
    };
    for (std::size_t k = 0; k < area.size(); ++k) {
        const std::size_t i = area[k];
        take(i % columns > 0, i - 1);
        take(i % columns + 1 < columns, i + 1);
        take(i >= columns, i - columns);
        take(i + columns < missed.size(), i + columns);
    }
    return area;
}

class Search {
public:
    Search(const Project& project, const Verdict& verdict) : project_(project), verdict_(verdict) {}

    void look(const Floor& floor, const FloorPrediction& p, const CancelToken& cancel) {
        FloorMargins margins(project_, p);
        for (const RequirementSet& set : *project_.requirement_sets) {
            if (!set.on) continue;
            const std::shared_ptr<const AskedCells> asked = asked_cells(set, floor, p);
            for (const Requirement& r : set.requirements) {
                cancel.check();
                if (required_lens(r).counts != RequirementCounts::area) continue;
                look(floor, p, r, *asked, margins);
            }
        }
    }
    std::vector<WorstPlace> take(std::size_t most) {
        std::ranges::stable_sort(found_, matters_more, &Candidate::place);
        std::vector<WorstPlace> places;
        for (const Candidate& c : found_) {
            if (places.size() == most) break;
            Cells& taken = taken_[c.place.floor];
            const auto known = std::ranges::count_if(c.cells, [&](std::size_t i) { return taken[i] != 0; });
            if (2 * static_cast<std::size_t>(known) > c.cells.size()) continue;
            for (std::size_t i : c.cells) taken[i] = 1;
            places.push_back(c.place);
        }
        return places;
    }

private:
    void look(const Floor& floor, const FloorPrediction& p, const Requirement& r, const AskedCells& asked,
              FloorMargins& margins) {
        const RequirementResult* result = verdict_.find(r.id);
        if (!result) return;
        Outcome stands = Outcome::met;
        for (const PlaceResult& f : result->floors)
            if (f.floor == floor.id) stands = outcome(result->share_met(f), r.share_required);
        margins.over_bands(r, asked.cells, dense_, each_);
        Margins m{std::vector<float>(p.surface.cells()), std::vector<std::uint8_t>(p.surface.cells())};
        Cells missed(p.surface.cells());
        for (std::size_t k = 0; k < asked.cells.size(); ++k) {
            const std::size_t i = asked.cells[k];
            m.margin[i] = dense_.margin[k];
            m.band[i] = dense_.band[k];
            missed[i] = dense_.margin[k] < 0;
        }
        taken_[floor.id].resize(missed.size());
        for (std::size_t i = 0; i < missed.size(); ++i) {
            if (!missed[i]) continue;
            Candidate c;
            c.cells = take_area(missed, p.surface, i);
            // a cell or two at a corner is nothing to go to
            if (static_cast<double>(c.cells.size()) * p.surface.cell_m * p.surface.cell_m < least_m2)
                continue;
            describe(floor, p, r, m, stands, c);
            found_.push_back(std::move(c));
        }
    }
    static void describe(const Floor& floor, const FloorPrediction& p, const Requirement& r, const Margins& m,
                         Outcome stands, Candidate& c) {
        const std::size_t worst =
            *std::ranges::min_element(c.cells, {}, [&](std::size_t i) { return m.margin[i]; });
        WorstPlace& place = c.place;
        place.requirement = r.id;
        place.floor = floor.id;
        if (const std::uint16_t zone = p.mask->zone[worst]) place.zone = (*floor.zones)[zone - 1u].id;
        place.place = p.surface.centre(worst);
        place.band = BandId{m.band[worst]};
        const double sign = required_lens(r).more_is_better ? 1 : -1;
        place.value = r.limit_in(place.band) + sign * double{m.margin[worst]};
        place.area_m2 = static_cast<double>(c.cells.size()) * p.surface.cell_m * p.surface.cell_m;
        const int serving = p.by_band[place.band.index]->serving[worst];
        if (serving >= 0) place.serving = (*p.radios)[static_cast<std::size_t>(serving)].number;
        place.on_floor = stands;
    }

    static constexpr double least_m2 = 1;
    const Project& project_;
    const Verdict& verdict_;
    std::vector<Candidate> found_;
    std::map<FloorId, Cells> taken_;
    Margins dense_;
    std::vector<std::vector<float>> each_;
};

}  // namespace

std::vector<WorstPlace> worst_places(const Project& project, const SitePrediction& site,
                                     const Verdict& verdict, std::size_t most, const CancelToken& cancel) {
    Search search(project, verdict);
    for (const Floor* floor : all_floors(project))
        if (const FloorPrediction* p = site.find(floor->id)) search.look(*floor, *p, cancel);
    return search.take(most);
}

std::vector<WorstPlace> worst_of(std::vector<WorstPlace> places, std::size_t most) {
    std::ranges::stable_sort(places, matters_more);
    if (places.size() > most) places.resize(most);
    return places;
}

}  // namespace yemvo
