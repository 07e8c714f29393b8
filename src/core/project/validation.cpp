// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/validation.h"

#include <type_traits>
#include <unordered_set>

#include "project/kinds/all.h"

namespace yemvo {
namespace {

class Checker {
public:
    explicit Checker(const Project& project) : project_(project) {}

    void run() {
        for (const WallType& t : *project_.wall_types) own(types_, t.id.value, say("wall type %1", t.name));
        for (const AccessPointModel& m : *project_.models) own(models_, m.id.value, say("model %1", m.name));
        for (const AntennaModel& a : *project_.antennas)
            own(antennas_, a.id.value, say("antenna %1", a.name));
        if (project_.buildings.empty()) fail(say("there is no building"), std::string("buildings"));
        for (const Building& b : project_.buildings) {
            own(others_, b.id.value, say("building %1", b.name));
            for (const Floor& f : b.floors) floor(f);
        }
        for (const Building& b : project_.buildings)
            for (const Floor& f : b.floors)
                if (f.alignment && !floors_.contains(f.alignment->to.value))
                    fail(say("there is no floor %1", f.alignment->to.value), say("alignment of %1", f.name));
        for (const Variant& v : project_.variants) variant(v);
        if (!variants_.contains(project_.variant.value))
            fail(say("the current variant does not exist"), project_.name);
        for (const RequirementSet& set : *project_.requirement_sets) requirement_set(set);
        Set numbers;
        for (const Probe& p : *project_.probes) {
            const Said where = say("probe P%1", p.number);
            if (!floors_.contains(p.floor.value)) fail(say("there is no floor %1", p.floor.value), where);
            if (!numbers.insert(static_cast<std::uint32_t>(p.number)).second)
                fail(say("its number is used twice"), where);
        }
    }

private:
    using Set = std::unordered_set<std::uint32_t>;

    [[noreturn]] static void fail(const Said& what, const Said& where) {
        throw Error(what, said_joined(": ", std::string("project.json"), where),
                    say("Correct it there, or try an earlier version of the file"));
    }
    /// `where`: the words, or what makes them, since they are seldom needed.
    template <class Where>
    static Said words(const Where& where) {
        if constexpr (std::is_invocable_v<Where>)
            return where();
        else
            return where;
    }
    template <class Where>
    void own(Set& set, std::uint32_t id, const Where& where) {
        if (id == 0 || id >= project_.next_id) fail(say("id %1 is not below next_id", id), words(where));
        if (!all_.insert(id).second) fail(say("id %1 is used twice", id), words(where));
        set.insert(id);
    }
    template <class Where>
    void type(WallTypeId id, const Where& where) const {
        if (!types_.contains(id.value)) fail(say("there is no wall type %1", id.value), words(where));
    }
    void floor(const Floor& f) {
        own(floors_, f.id.value, say("floor %1", f.name));
        type(f.slab->type, say("slab of %1", f.name));
        each_kind([&]<class Thing>() {
            for (const Thing& t : KindOf<Thing>::list(f)) {
                const auto where = [&] {
                    return say("%1 (id %2) on %3", KindOf<Thing>::label(t), t.id.value, f.name);
                };
                KindOf<Thing>::each_id(t, [&](const auto& id) {
                    own(std::is_same_v<decltype(id), const ZoneId&> ? zones_ : others_, id.value, where);
                });
                KindOf<Thing>::each_type(t, [&](WallTypeId id, TypeUse, const auto&) { type(id, where); });
            }
        });
        for (const Drawing& d : *f.drawings) own(others_, d.id.value, say("drawing %1", d.name));
    }
    void variant(const Variant& v) {
        own(variants_, v.id.value, say("variant %1", v.name));
        for (const auto& [id, list] : v.access_points) {
            if (!floors_.contains(id.value))
                fail(say("there is no floor %1", id.value), say("variant %1", v.name));
            for (const AccessPoint& ap : *list) access_point(ap);
        }
    }
    void access_point(const AccessPoint& ap) {
        const Said where = say("access point %1", ap.number);
        own(others_, ap.id.value, where);
        if (!models_.contains(ap.model.value)) fail(say("there is no model %1", ap.model.value), where);
        const AccessPointModel& m = model(project_, ap.model);
        if (ap.radios.size() != m.radios.size())
            fail(say("does not have as many radios as %1", m.name), where);
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (!radio_band(m, i, ap.radios[i].channel.band))
                fail(say("radio %1 of %2 does not work at %3 GHz", i + 1, m.name,
                         band(ap.radios[i].channel.band).name),
                     where);
        for (const Radio& r : ap.radios)
            if (r.antenna && !antennas_.contains(r.antenna.value))
                fail(say("there is no antenna %1", r.antenna.value), where);
        for (const Radio& r : ap.radios)
            if (!r.cable.empty() && !has_cable(project_, r.cable))
                fail(say("there is no cable '%1'", r.cable), where);
    }
    void requirement_set(const RequirementSet& set) {
        const Said where = say("requirement set %1", set.name);
        own(others_, set.id.value, where);
        for (const Requirement& r : set.requirements) own(others_, r.id.value, where);
        for (ZoneId id : set.zones)
            if (!zones_.contains(id.value)) fail(say("there is no zone %1", id.value), where);
    }

    const Project& project_;
    Set all_, types_, models_, antennas_, floors_, zones_, variants_, others_;
};

}  // namespace

void check_references(const Project& project) { Checker(project).run(); }

}  // namespace yemvo
