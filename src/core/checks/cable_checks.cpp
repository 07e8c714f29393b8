// SPDX-License-Identifier: GPL-3.0-or-later
// Cables that are too long, lead nowhere, or end at a port that is not there or too weak. Nothing is said
// while no closet stands: then nobody plans cables here yet.
#include <cmath>

#include "cabling/closet_places.h"
#include "checks/collector.h"

namespace yemvo {
namespace {

class CableChecks {
public:
    CableChecks(const Project& project, std::vector<Finding>& out, const CancelToken& cancel)
        : project_(project), out_(out), plan_(plan_cables(project, cancel)) {
        // of a site that has hardly a closet the page looks for places, when it is asked to
        constexpr std::ptrdiff_t most_looked_for = 60;
        const auto out_of_reach = std::ranges::count_if(
            plan_.runs, [&](const CableRun& r) { return is_out_of_reach(project.cabling, r); });
        if (out_of_reach > 0 && out_of_reach <= most_looked_for)
            places_ = closet_places(project, plan_, cancel);
    }

    void run() {
        for (const CableRun& r : plan_.runs) {
            if (!r.closet)
                add(Rule::cable_nowhere, r, say("no way leads from access point %1 to a closet", r.number));
            else if (r.channel_m > project_.cabling.most_channel_m + 1e-9)
                add(Rule::cable_long, r,
                    say("the channel of access point %1 has %2, of at most %3", r.number, length(r.channel_m),
                        length(project_.cabling.most_channel_m)));
            else if (r.link_m > project_.cabling.most_link_m + 1e-9)
                add(Rule::cable_long, r,
                    say("the link of access point %1 has %2, of at most %3", r.number, length(r.link_m),
                        length(project_.cabling.most_link_m)));
            if (r.closet && !r.port && !closet_of(r.closet_floor, r.closet).switches.empty())
                add(Rule::port_missing, r,
                    say("no port is left for access point %1 at %2", r.number,
                        closet_of(r.closet_floor, r.closet).name));
            if (r.is_short_of_power()) add_weak(r);
        }
        for (const ClosetUse& use : plan_.closets) add_watts(use);
    }

private:
    Said length(double m) const { return said_length(m, project_.settings.units); }
    const Closet& closet_of(FloorId floor, ClosetId id) const {
        return *find_closet(*find_floor(project_, floor), id);
    }

    Finding& add(Rule rule, const CableRun& r, Said what) {
        Finding f;
        f.rule = rule;
        f.floor = r.floor;
        f.place = find_access_point(project_, r.floor, r.access_point)->position;
        f.has_place = true;
        f.what = std::move(what);
        f.items = {{ItemKind::access_point, r.access_point.value}};
        f.subjects = {r.access_point.value};
        for (const ClosetPlace& place : places_.places) {
            if (std::ranges::count(place.reaches, r.access_point) == 0) continue;
            f.mends.push_back(
                {say("Place a closet on %1 that reaches %2",
                     floor_title(project_, *find_floor(project_, place.floor)), place.reaches.size()),
                 [at = place](Project& p) { place_closet(p, at); }});
        }
        out_.push_back(std::move(f));
        return out_.back();
    }

    /// With what the port gives, where the model knows what is left then.
    void add_weak(const CableRun& r) {
        const AccessPoint& ap = *find_access_point(project_, r.floor, r.access_point);
        Finding& f =
            add(Rule::port_weak, r,
                r.gets ? say("access point %1 counts on %2, its port gives %3", r.number,
                             said_mark(power_source_name(*r.wants)), said_mark(power_source_name(*r.gets)))
                       : say("access point %1 counts on %2, its port gives no power", r.number,
                             said_mark(power_source_name(*r.wants))));
        f.mends.clear();
        if (r.gets && power_row(model(project_, ap.model), *r.gets))
            f.mends.push_back(
                {say("Count on %1, with what that leaves", said_mark(power_source_name(*r.gets))),
                 change_of(r.floor, r.access_point, [source = *r.gets](AccessPoint& a) {
                     a.source = source;
                     a.alternative = 0;
                 })});
    }

    void add_watts(const ClosetUse& use) {
        const Closet& closet = closet_of(use.floor, use.closet);
        for (std::size_t i = 0; i < use.switches.size(); ++i) {
            const Switch& s = closet.switches[i];
            const double most_w = s.budget_w * project_.cabling.budget_share;
            if (!s.source || use.switches[i].class_w <= most_w + 1e-9) continue;
            Finding f;
            f.rule = Rule::switch_watts;
            f.floor = use.floor;
            f.place = closet.position;
            f.has_place = true;
            f.what = say("%1 sets aside %2 W for its ports, of %3 W that may be spoken for", s.name,
                         std::lround(use.switches[i].class_w), std::lround(most_w));
            f.items = {{ItemKind::closet, closet.id.value}};
            f.subjects = {closet.id.value, static_cast<std::uint32_t>(i)};
            out_.push_back(std::move(f));
        }
    }

    const Project& project_;
    std::vector<Finding>& out_;
    CablePlan plan_;
    ClosetPlaces places_;
};

}  // namespace

void check_cables(const Project& project, std::vector<Finding>& out, const CancelToken& cancel) {
    bool any = false;
    for (const Floor* f : all_floors(project)) any = any || !f->closets->empty();
    if (any) CableChecks(project, out, cancel).run();
}

}  // namespace yemvo
