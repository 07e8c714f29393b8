// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/missed_places.h"

#include "render/tr.h"

namespace yemvo::app {

static constexpr std::size_t most_places = 6;

static Answer of_floor(const Project& project, const FloorPrediction& floor, const Verdict& part,
                       const CancelToken& cancel) {
    return std::make_shared<const MissedPlaces>(
        MissedPlaces{worst_places(project, {{floor}}, part, most_places, cancel)});
}

static Answer of_all(const std::vector<Answer>& floors, const CancelToken&) {
    std::vector<WorstPlace> all;
    for (const Answer& floor : floors) {
        const auto& places = static_cast<const MissedPlaces*>(floor.get())->places;
        all.insert(all.end(), places.begin(), places.end());
    }
    return std::make_shared<const MissedPlaces>(MissedPlaces{worst_of(std::move(all), most_places)});
}

ResultKind missed_places() {
    return {typeid(MissedPlaces), {}, [] { return SiteWork{{mark("missed places"), of_floor}, of_all}; }};
}

}  // namespace yemvo::app
