// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/raise_needs.h"

#include <algorithm>
#include <cmath>

#include "proposal/verdict_lack.h"

namespace yemvo {
namespace {

class NeedRaiser {
public:
    NeedRaiser(SiteCover& cover, const Project& project) : cover_(cover), project_(project) {}

    /// True where the search was asked for anything that it was not before.
    bool ask_for_more(const JudgedCover& judged) {
        bool any = false;
        for (const RequirementResult& r : judged.verdict.requirements) {
            if (!r.asks() || r.met()) continue;
            if (required_lens(r.requirement).counts == RequirementCounts::area)
                any = ask_for_places(r) || any;
        }
        for (const BandResult& b : judged.verdict.bands)
            if (b.share_met() < b.share_required) any = ask_for_all_at_once(b) || any;
        if (judged.capacity && asks_about_capacity(judged.verdict)) any = ask_for_servers(judged) || any;
        return any;
    }

private:
    /// Where a floor is short of a level, by so much more than it is short.
    bool ask_for_places(const RequirementResult& r) {
        bool any = false;
        for (const PlaceResult& on : r.floors)
            for (const BandId band : r.requirement.bands.list()) {
                const double lacks = r.requirement.share_required - on.share_met(band);
                if (lacks <= 0) continue;
                any = raise(on.floor, r.requirement.id, band, lacks + 0.003) || any;
            }
        return any;
    }

    /// Each holds on its own share of places: where they do not hold on the same, each has to on more.
    bool ask_for_all_at_once(const BandResult& b) {
        bool any = false;
        for (const FloorArea& on : b.floors) {
            const double lacks = b.share_required - on.share_met();
            if (lacks > 0 && on.demanded_m2 > 0 && several_asked(on.floor, b.band))
                any = raise(on.floor, {}, b.band, lacks / 2 + 0.003) || any;
        }
        return any;
    }

    /// One requirement alone holds where it holds.
    bool several_asked(FloorId floor, BandId band) const {
        return std::ranges::count_if(cover_.subjects, [&](const CoverSubject& s) {
                   return s.floor == floor && s.band == band;
               }) > 1;
    }

    /// The groups of the requirement; of one that another implies, all of that band on the floor.
    bool raise(FloorId floor, RequirementId requirement, BandId band, double by_share) {
        const auto of = [&](const CoverSubject& s, bool any_requirement) {
            return s.floor == floor && (any_requirement || s.requirement == requirement) &&
                   (!s.band || *s.band == band);
        };
        const bool own =
            std::ranges::any_of(cover_.subjects, [&](const CoverSubject& s) { return of(s, false); });
        bool any = false;
        CoverPlan all;
        for (std::uint32_t c = 0; c < cover_.problem.columns.size(); ++c) all.push_back(c);
        const std::vector<std::uint32_t> most = covered_rows(cover_.problem, all);
        for (std::size_t g = 0; g < cover_.subjects.size(); ++g) {
            if (!of(cover_.subjects[g], !own)) continue;
            CoverGroup& group = cover_.problem.groups[g];
            const auto need = std::min<std::uint32_t>(
                most[g],
                group.need + std::max(1u, static_cast<std::uint32_t>(std::ceil(by_share * group.rows))));
            any = any || need > group.need;
            group.need = need;
        }
        return any;
    }

    /// More in the zones whose clients get too little, or whose access points have too many.
    bool ask_for_servers(const JudgedCover& judged) {
        std::map<ZoneId, double> overload;  // what is asked of an access point there, over what it may be
        for (const RequirementResult& r : judged.verdict.requirements) {
            if (!r.asks() || r.met() || required_lens(r.requirement).counts == RequirementCounts::area)
                continue;
            for (const HourCapacity& hour : judged.capacity->hours) add_zones_in_need(r, hour, overload);
        }
        bool any = false;
        for (const ServedPlace& place : cover_.served) {
            const auto need = overload.find(place.zone);
            if (need == overload.end()) continue;
            const std::size_t there = hang_in(place, judged.plan);
            // half of what the figures say: more access points take air from each other as well
            const double more = std::clamp(0.5 * (need->second - 1) * double(there), 1.0, 4.0);
            for (std::size_t k = 0; k < std::min(place.most, there + std::size_t(more)); ++k) {
                CoverGroup& group = cover_.problem.groups[place.first + k];
                any = any || group.need == 0;
                group.need = 1;
            }
        }
        return any;
    }

    void add_zones_in_need(const RequirementResult& r, const HourCapacity& hour,
                           std::map<ZoneId, double>& overload) const {
        const bool radios = required_lens(r.requirement).counts == RequirementCounts::radios;
        struct Need {
            double clients = 0, over = 1;
        };
        std::map<ZoneId, Need> failing;
        for (const ClientCapacity& c : hour.clients) {
            const ZoneId zone = hour.zones[c.place_at].zone;
            if (zone.value == 0) continue;
            double over = c.satisfied < 0.95f ? 1.5 : 0;
            if (radios)
                over = c.radio < 0
                           ? 0
                           : overload_of(r.requirement, hour.radios[static_cast<std::size_t>(c.radio)]);
            if (over <= 1) continue;
            Need& need = failing[zone];
            need.clients += double(c.weight);
            need.over = std::max(need.over, over);
        }
        // the zones that need it most; a few clients who stray into a full radio are no reason
        double most = 0;
        for (const auto& [zone, need] : failing) most = std::max(most, need.clients);
        for (const auto& [zone, need] : failing)
            if (need.clients >= 0.3 * most) overload[zone] = std::max(overload[zone], need.over);
    }

    std::size_t hang_in(const ServedPlace& place, const CoverPlan& plan) const {
        const Zone& zone = *find_zone(*find_floor(project_, place.floor), place.zone);
        return static_cast<std::size_t>(std::ranges::count_if(plan, [&](std::uint32_t c) {
            return cover_.candidates[c].floor == place.floor &&
                   contains(zone.outline, cover_.candidates[c].access_point.position);
        }));
    }

    SiteCover& cover_;
    const Project& project_;
};

}  // namespace

bool raise_needs(SiteCover& cover, const Project& project, const JudgedCover& judged) {
    return NeedRaiser(cover, project).ask_for_more(judged);
}

}  // namespace yemvo
