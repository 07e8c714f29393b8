// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/salvage.h"

#include <algorithm>
#include <nlohmann/json.hpp>
#include <set>

#include "base/utf8.h"
#include "project/edits.h"
#include "project/json_gear.h"
#include "project/json_requirements.h"
#include "project/kinds/all.h"
#include "project/library.h"

namespace yemvo {
namespace {

/// Beyond it no new ids could be given for long.
constexpr std::uint32_t most_id = 3'900'000'000;

class Mending {
public:
    Mending(Project& project, std::vector<SetAside>& aside) : p_(project), aside_(aside) {}

    void run() {
        if (p_.next_id == 0) p_.next_id = 1;
        raise_next_id();
        if (p_.wall_types->empty()) add_standard_types();
        types_and_models();
        if (p_.buildings.empty()) {
            note(std::string("buildings"), say("there was none: an empty one was made"));
            Building empty;
            empty.name = "Main building";
            p_.buildings.push_back(std::move(empty));
        }
        for (Building& b : p_.buildings) {
            number(b.id, say("building %1", b.name));
            for (Floor& f : b.floors) floor(f);
        }
        for (Building& b : p_.buildings)
            for (Floor& f : b.floors)
                if (f.alignment && !floors_.contains(f.alignment->to.value)) {
                    note(say("alignment of %1", f.name), say("the floor that it was aligned to is gone"));
                    f.alignment.reset();
                }
        variants();
        requirement_sets();
        probes();
    }

private:
    /// Kept in the file, and so in English.
    void note(const Said& place, const Said& reason, std::string json = {}) {
        aside_.push_back(
            {"project.json: " + shortened(place.english(), 200), reason.english(), std::move(json)});
    }

    template <class Each>
    void each_id(Each each) {
        for (WallType& t : p_.wall_types.edit()) each(t.id.value);
        for (AccessPointModel& m : p_.models.edit()) each(m.id.value);
        for (AntennaModel& a : p_.antennas.edit()) each(a.id.value);
        for (Building& b : p_.buildings) {
            each(b.id.value);
            for (Floor& f : b.floors) each_id_of(f, each);
        }
        for (Variant& v : p_.variants) {
            each(v.id.value);
            for (auto& [floor, list] : v.access_points)
                for (const AccessPoint& ap : *list) each(ap.id.value);
        }
        for (const RequirementSet& set : *p_.requirement_sets) {
            each(set.id.value);
            for (const Requirement& r : set.requirements) each(r.id.value);
        }
    }
    template <class Each>
    static void each_id_of(const Floor& f, Each each) {
        const auto all = [&](const auto& list) {
            for (const auto& thing : list) each(thing.id.value);
        };
        each(f.id.value);
        each_kind([&]<class Thing>() {
            for (const Thing& t : KindOf<Thing>::list(f))
                KindOf<Thing>::each_id(t, [&](const auto& id) { each(id.value); });
        });
        all(*f.drawings);
    }

    void raise_next_id() {
        std::uint32_t highest = 0;
        each_id([&](std::uint32_t id) {
            if (id <= most_id) highest = std::max(highest, id);
        });
        if (p_.next_id > highest && p_.next_id <= most_id) return;
        note(std::string("next_id"), say("was not above every id, or left no room for more"));
        p_.next_id = highest + 1;
    }

    /// A new id where the thing has none or one that is taken.
    template <class Tag>
    bool number(Id<Tag>& id, const Said& what) {
        if (id.value != 0 && id.value < p_.next_id && ids_.insert(id.value).second) return false;
        if (id.value != 0)
            note(what, say("its id %1 was used twice or beyond reason: it has another now", id.value));
        id = new_id<Id<Tag>>(p_);
        ids_.insert(id.value);
        return true;
    }

    void add_standard_types() {
        note(std::string("wall_types"), say("there were none: the standard ones were added"));
        std::vector<WallType> types = standard_wall_types();
        for (WallType& t : types) t.id = new_id<WallTypeId>(p_);
        p_.wall_types = std::move(types);
    }

    void types_and_models() {
        for (WallType& t : p_.wall_types.edit()) {
            number(t.id, say("wall type %1", t.name));
            types_.insert(t.id.value);
        }
        for (AccessPointModel& m : p_.models.edit()) number(m.id, say("model %1", m.name));
        for (AntennaModel& a : p_.antennas.edit()) number(a.id, say("antenna %1", a.name));
    }

    void type(WallTypeId& id, TypeUse use, const Said& what) {
        if (types_.contains(id.value)) return;
        WallTypeId other = first_type(p_, use);
        if (!other) other = p_.wall_types->front().id;
        note(what, say("its type %1 is gone: it is %2 now", id.value, wall_type(p_, other).name));
        id = other;
    }

    /// Whether all of them can stay as they are; their ids are then taken.
    template <class Thing>
    bool are_fine(const std::vector<Thing>& list) {
        std::set<std::uint32_t> here;
        bool fine = true;
        for (const Thing& t : list) {
            KindOf<Thing>::each_id(t, [&](const auto& id) {
                fine = fine && id.value != 0 && id.value < p_.next_id && !ids_.contains(id.value) &&
                       here.insert(id.value).second;
            });
            KindOf<Thing>::each_type(
                t, [&](WallTypeId id, TypeUse, const auto&) { fine = fine && types_.contains(id.value); });
        }
        if (fine) ids_.insert(here.begin(), here.end());
        return fine;
    }
    template <class Thing>
    void things(Floor& f) {
        if (are_fine(KindOf<Thing>::list(f))) return;
        for (Thing& t : KindOf<Thing>::edit(f)) {
            const Said what = say("%1 on %2", KindOf<Thing>::label(t), f.name);
            KindOf<Thing>::each_id(t, [&](auto& id) { number(id, what); });
            KindOf<Thing>::each_type(t,
                                     [&](WallTypeId& id, TypeUse use, const auto&) { type(id, use, what); });
        }
    }

    void floor(Floor& f) {
        number(f.id, say("floor %1", f.name));
        floors_.insert(f.id.value);
        if (!types_.contains(f.slab->type.value))
            type(f.slab.edit().type, TypeUse::slab, say("slab of %1", f.name));
        each_kind([&]<class Thing>() { things<Thing>(f); });
        for (const Drawing& d : *f.drawings)
            if (d.id.value == 0 || d.id.value >= p_.next_id || ids_.contains(d.id.value)) {
                for (Drawing& renewed : f.drawings.edit()) number(renewed.id, say("drawing on %1", f.name));
                break;
            }
        for (const Drawing& d : *f.drawings) ids_.insert(d.id.value);
        for (const Zone& z : *f.zones) zones_.insert(z.id.value);
    }

    void variants() {
        std::set<std::uint32_t> present;
        for (Variant& v : p_.variants) {
            number(v.id, say("variant %1", v.name));
            present.insert(v.id.value);
            for (auto& [floor, list] : v.access_points) access_points(v, floor, list);
            std::erase_if(v.access_points,
                          [&](const auto& entry) { return !floors_.contains(entry.first.value); });
        }
        if (p_.variants.empty()) {
            note(std::string("variants"), say("there was none: an empty one was made"));
            p_.variants.push_back({new_id<VariantId>(p_), "A", {}});
            present.insert(p_.variants.front().id.value);
        }
        if (present.contains(p_.variant.value)) return;
        note(std::string("variant"),
             say("the current variant is gone: %1 is the current one now", p_.variants.front().name));
        p_.variant = p_.variants.front().id;
    }

    /// Why an access point cannot stand; empty when it can.
    Said fault_of(const AccessPoint& ap, FloorId floor) const {
        if (!floors_.contains(floor.value)) return say("its floor is gone");
        const auto m = std::find_if(p_.models->begin(), p_.models->end(),
                                    [&](const AccessPointModel& e) { return e.id == ap.model; });
        if (m == p_.models->end()) return say("its model %1 is gone", ap.model.value);
        if (m->radios.size() != ap.radios.size()) return say("it does not have as many radios as its model");
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (!radio_band(*m, i, ap.radios[i].channel.band))
                return say("a radio is in a band that its model lacks");
        return {};
    }

    void access_points(const Variant& v, FloorId floor, Shared<std::vector<AccessPoint>>& list) {
        std::vector<AccessPoint> kept;
        for (AccessPoint ap : *list) {
            const Said what = say("access point %1 of variant %2", ap.number, v.name);
            if (const Said fault = fault_of(ap, floor); !fault.empty()) {
                note(what, fault,
                     write_access_point(ap).dump(-1, ' ', false, Json::error_handler_t::replace));
                continue;
            }
            number(ap.id, what);
            for (Radio& r : ap.radios) {
                if (r.antenna && !find_antenna(p_, r.antenna)) {
                    note(what, say("its antenna %1 is gone: it has its own now", r.antenna.value));
                    take_own_antenna(r);
                }
                if (!r.cable.empty() && !has_cable(p_, r.cable)) {
                    note(what, say("its cable '%1' is gone: none is counted", r.cable));
                    r.cable.clear();
                }
            }
            kept.push_back(std::move(ap));
        }
        list = std::move(kept);
    }

    void requirement_sets() {
        std::vector<RequirementSet> kept;
        for (RequirementSet set : *p_.requirement_sets) {
            number(set.id, say("requirement set %1", set.name));
            for (Requirement& r : set.requirements) number(r.id, say("requirement of %1", set.name));
            const RequirementSet whole = set;
            const bool named = !set.zones.empty();
            if (std::erase_if(set.zones, [&](ZoneId id) { return !zones_.contains(id.value); }) > 0)
                note(say("requirement set %1", set.name), say("a zone that it names is gone"),
                     named && set.zones.empty()
                         ? write_requirement_set(whole).dump(-1, ' ', false, Json::error_handler_t::replace)
                         : std::string());
            if (named && set.zones.empty()) continue;  // it would hold everywhere
            kept.push_back(std::move(set));
        }
        p_.requirement_sets = std::move(kept);
    }

    void probes() {
        std::set<int> numbers;
        std::vector<Probe> kept;
        for (const Probe& probe : *p_.probes)
            if (floors_.contains(probe.floor.value) && numbers.insert(probe.number).second)
                kept.push_back(probe);
            else
                note(say("probe P%1", probe.number), say("its floor is gone, or its number is used twice"));
        p_.probes = std::move(kept);
    }

    Project& p_;
    std::vector<SetAside>& aside_;
    std::set<std::uint32_t> ids_, types_, floors_, zones_;
};

}  // namespace

void mend_references(Project& project, std::vector<SetAside>& aside) { Mending(project, aside).run(); }

}  // namespace yemvo
