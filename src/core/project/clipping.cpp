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

}  // namespace

std::size_t Clipping::count() const {
    std::size_t sum = access_points.size();
    each_kind([&]<class Thing>() { sum += things.of<Thing>().size(); });
    return sum;
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
        for (const AccessPointModel& m : c.models) {
            ModelId id;
            for (const AccessPointModel& known : *project_.models)
                if (known.key == m.key && known.radios.size() == m.radios.size()) id = known.id;
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
        ap.position = motion_.apply(ap.position);
        ap.azimuth_deg = azimuth_carried(ap.azimuth_deg, motion_);
        const AccessPointId id = add_access_point(project_, at_, ap.model, ap.position);
        ap.id = id;
        ap.number = find_access_point(project_, at_, id)->number;
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
