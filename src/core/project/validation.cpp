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
        for (const WallType& t : *project_.wall_types) own(types_, t.id.value, "wall type " + t.name);
        for (const AccessPointModel& m : *project_.models) own(models_, m.id.value, "model " + m.name);
        if (project_.buildings.empty()) fail("there is no building", "buildings");
        for (const Building& b : project_.buildings) {
            own(others_, b.id.value, "building " + b.name);
            for (const Floor& f : b.floors) floor(f);
        }
        for (const Building& b : project_.buildings)
            for (const Floor& f : b.floors)
                if (f.alignment && !floors_.contains(f.alignment->to.value))
                    fail("there is no floor " + std::to_string(f.alignment->to.value),
                         "alignment of " + f.name);
        for (const Variant& v : project_.variants) variant(v);
        if (!variants_.contains(project_.variant.value))
            fail("the current variant does not exist", project_.name);
        for (const RequirementSet& set : *project_.requirement_sets) requirement_set(set);
        Set numbers;
        for (const Probe& p : *project_.probes) {
            const std::string where = "probe P" + std::to_string(p.number);
            if (!floors_.contains(p.floor.value))
                fail("there is no floor " + std::to_string(p.floor.value), where);
            if (!numbers.insert(static_cast<std::uint32_t>(p.number)).second)
                fail("its number is used twice", where);
        }
    }

private:
    using Set = std::unordered_set<std::uint32_t>;

    [[noreturn]] static void fail(const std::string& what, const std::string& where) {
        throw Error(what, "project.json: " + where,
                    "Correct it there, or try an earlier version of the file");
    }
    /// `where`: the words, or what makes them, since they are seldom needed.
    template <class Where>
    static std::string words(const Where& where) {
        if constexpr (std::is_invocable_v<Where>)
            return where();
        else
            return where;
    }
    template <class Where>
    void own(Set& set, std::uint32_t id, const Where& where) {
        if (id == 0 || id >= project_.next_id)
            fail("id " + std::to_string(id) + " is not below next_id", words(where));
        if (!all_.insert(id).second) fail("id " + std::to_string(id) + " is used twice", words(where));
        set.insert(id);
    }
    template <class Where>
    void type(WallTypeId id, const Where& where) const {
        if (!types_.contains(id.value))
            fail("there is no wall type " + std::to_string(id.value), words(where));
    }
    void floor(const Floor& f) {
        own(floors_, f.id.value, "floor " + f.name);
        type(f.slab->type, "slab of " + f.name);
        each_kind([&]<class Thing>() {
            for (const Thing& t : KindOf<Thing>::list(f)) {
                const auto where = [&] {
                    return KindOf<Thing>::label(t) + " (id " + std::to_string(t.id.value) + ") on " + f.name;
                };
                KindOf<Thing>::each_id(t, [&](const auto& id) {
                    own(std::is_same_v<decltype(id), const ZoneId&> ? zones_ : others_, id.value, where);
                });
                KindOf<Thing>::each_type(t, [&](WallTypeId id, TypeUse, const auto&) { type(id, where); });
            }
        });
        for (const Drawing& d : *f.drawings) own(others_, d.id.value, "drawing " + d.name);
    }
    void variant(const Variant& v) {
        own(variants_, v.id.value, "variant " + v.name);
        for (const auto& [id, list] : v.access_points) {
            if (!floors_.contains(id.value))
                fail("there is no floor " + std::to_string(id.value), "variant " + v.name);
            for (const AccessPoint& ap : *list) access_point(ap);
        }
    }
    void access_point(const AccessPoint& ap) {
        const std::string where = "access point " + std::to_string(ap.number);
        own(others_, ap.id.value, where);
        if (!models_.contains(ap.model.value))
            fail("there is no model " + std::to_string(ap.model.value), where);
        const AccessPointModel& m = model(project_, ap.model);
        if (ap.radios.size() != m.radios.size()) fail("does not have as many radios as " + m.name, where);
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (!radio_band(m, i, ap.radios[i].channel.band))
                fail("radio " + std::to_string(i + 1) + " of " + m.name + " does not work at " +
                         band(ap.radios[i].channel.band).name + " GHz",
                     where);
    }
    void requirement_set(const RequirementSet& set) {
        const std::string where = "requirement set " + set.name;
        own(others_, set.id.value, where);
        for (const Requirement& r : set.requirements) own(others_, r.id.value, where);
        for (ZoneId id : set.zones)
            if (!zones_.contains(id.value)) fail("there is no zone " + std::to_string(id.value), where);
    }

    const Project& project_;
    Set all_, types_, models_, floors_, zones_, variants_, others_;
};

}  // namespace

void check_references(const Project& project) { Checker(project).run(); }

}  // namespace yemvo
