// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/clipping.h"

#include <algorithm>
#include <map>

#include "project/kinds/thing_edits.h"

namespace yemvo {
namespace {

template <class List, class IdType>
bool has(const List& list, IdType id) {
    return std::ranges::any_of(list, [&](const auto& e) { return e.id == id; });
}
bool has_key(const std::vector<CableType>& list, const std::string& key) {
    return std::ranges::any_of(list, [&](const CableType& c) { return c.key == key; });
}

}  // namespace

std::size_t Clipping::count() const {
    std::size_t sum = access_points.size();
    each_kind([&]<class Thing>() { sum += things.of<Thing>().size(); });
    return sum;
}

static void clip_antennas(const Project& project, const AccessPoint& ap, Clipping& c) {
    for (const Radio& r : ap.radios) {
        const AntennaModel* antenna = r.antenna ? find_antenna(project, r.antenna) : nullptr;
        if (antenna && !has(c.antennas, r.antenna)) c.antennas.push_back(*antenna);
        for (const CableType& cable : *project.cables)
            if (cable.key == r.cable && !has_key(c.cables, r.cable)) c.cables.push_back(cable);
    }
}

Clipping clip(const Project& project, const Floor& f, const std::vector<Item>& items) {
    Clipping c;
    const auto needs = [&](WallTypeId id, TypeUse, const auto&) {
        if (!has(c.types, id)) c.types.push_back(wall_type(project, id));
    };
    for (const Item& item : items) {
        if (item.kind == ItemKind::access_point) {
            if (const AccessPoint* ap = find_access_point(project, f.id, AccessPointId{item.id})) {
                c.access_points.push_back(*ap);
                if (!has(c.models, ap->model)) c.models.push_back(model(project, ap->model));
                clip_antennas(project, *ap, c);
            }
            continue;
        }
        of_kind(item.kind, [&]<class Thing>() {
            for (const Thing& t : KindOf<Thing>::list(f)) {
                if (t.id.value != item.id) continue;
                auto& list = c.things.of<Thing>();
                list.push_back(t);
                KindOf<Thing>::was_clipped(list.back());
                KindOf<Thing>::each_type(t, needs);
                break;
            }
        });
    }
    return c;
}

namespace {

/// Whether an access point of `wanted` can be one of `known`.
bool has_bands_of(const AccessPointModel& known, const AccessPointModel& wanted) {
    if (known.radios.size() != wanted.radios.size()) return false;
    for (std::size_t r = 0; r < wanted.radios.size(); ++r)
        for (const RadioBand& b : wanted.radios[r].bands)
            if (!radio_band(known, r, b.band)) return false;
    return true;
}

/// Finds or makes in the project what a clipping brought along.
class Paster {
public:
    Paster(Project& project, FloorId at, const Motion& motion)
        : project_(project), at_(at), motion_(motion) {}

    void bring(const Clipping& c) {
        for (const WallType& t : c.types) {
            const WallTypeId known = find_type(project_, t.key);
            const bool same = known && wall_type(project_, known).use == t.use;
            types_[t.id] = same ? known : add_wall_type(project_, t);
        }
        for (const AntennaModel& a : c.antennas) {
            AntennaId id;
            for (const AntennaModel& known : *project_.antennas)
                if (known.key == a.key && known.connector == a.connector) id = known.id;
            if (!id) {
                AntennaModel added = a;
                added.id = id = new_id<AntennaId>(project_);
                project_.antennas.edit().push_back(added);
            }
            antennas_[a.id] = id;
        }
        for (const CableType& cable : c.cables)
            if (!has_cable(project_, cable.key)) project_.cables.edit().push_back(cable);
        for (const AccessPointModel& m : c.models) {
            ModelId id;
            for (const AccessPointModel& known : *project_.models)
                if (known.key == m.key && has_bands_of(known, m)) id = known.id;
            if (!id) {
                AccessPointModel added = m;
                added.id = id = new_id<ModelId>(project_);
                project_.models.edit().push_back(added);
            }
            models_[m.id] = id;
        }
    }
    void put(AccessPoint ap) {
        ap.model = models_.at(ap.model);
        for (Radio& r : ap.radios)
            if (r.antenna) r.antenna = antennas_.at(r.antenna);
        ap.position = motion_.apply(ap.position);
        ap.azimuth_deg = azimuth_carried(ap.azimuth_deg, motion_);
        const AccessPointId id = add_access_point(project_, at_, ap.model, ap.position);
        ap.id = id;
        ap.number = find_access_point(project_, at_, id)->number;
        ap.name.clear();  // of the one that it was copied from
        ap.on_site = {};
        replace_access_point(project_, at_, ap);
        made_.push_back({ItemKind::access_point, id.value});
    }
    template <class Thing>
    void put(Thing t) {
        KindOf<Thing>::each_type(t, [&](WallTypeId& id, TypeUse, const auto&) { id = types_.at(id); });
        carry(t, motion_);
        t.group = group(t.group);
        made_.push_back({KindOf<Thing>::kind, add_thing(project_, at_, std::move(t)).value});
    }
    std::vector<Item> take() { return std::move(made_); }

private:
    GroupId group(GroupId old) {
        if (!old) return {};
        GroupId& made = groups_[old];
        if (!made) made = new_id<GroupId>(project_);
        return made;
    }
    Project& project_;
    FloorId at_;
    Motion motion_;
    std::map<WallTypeId, WallTypeId> types_;
    std::map<ModelId, ModelId> models_;
    std::map<AntennaId, AntennaId> antennas_;
    std::map<GroupId, GroupId> groups_;
    std::vector<Item> made_;
};

}  // namespace

std::vector<Item> paste(Project& project, FloorId at, const Clipping& c, const Motion& m) {
    Paster paster(project, at, m);
    paster.bring(c);
    each_kind([&]<class Thing>() {
        for (const Thing& t : c.things.of<Thing>()) paster.put(t);
    });
    for (const auto& t : c.access_points) paster.put(t);
    return paster.take();
}

std::optional<Point> middle(const Clipping& c) {
    std::vector<Point> all;
    each_kind([&]<class Thing>() {
        for (const Thing& t : c.things.of<Thing>()) {
            const auto points = KindOf<Thing>::points(t);
            all.insert(all.end(), points.begin(), points.end());
        }
    });
    for (const AccessPoint& ap : c.access_points) all.push_back(ap.position);
    const auto box = bounds(all);
    return box ? std::optional(box->centre()) : std::nullopt;
}

}  // namespace yemvo
