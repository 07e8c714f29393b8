// Long random histories: the project stays valid, writes and reads back the same, and every value can be
// returned to.
#include <random>

#include "core/support.h"
#include "project/json_project.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

class History {
public:
    explicit History(unsigned seed) : engine_(seed) {}

    void step(Project& p) {
        const FloorId floor = pick(all_floors(p))->id;
        switch (static_cast<int>(any(0, 21.999))) {
            case 0:
            case 1:
                add_wall(p, floor, random_wall(p));
                break;
            case 2:
                change_wall(p, floor);
                break;
            case 3:
                add_random_opening(p, floor);
                break;
            case 4:
                if (const Wall* w = some(*find_floor(p, floor)->walls)) remove_wall(p, floor, w->id);
                break;
            case 5:
                add_zone(p, floor,
                         {{}, "Zone", static_cast<ZoneKind>(static_cast<int>(any(0, 3.99))), triangle()});
                break;
            case 6:
                if (const Zone* z = some(*find_floor(p, floor)->zones)) remove_zone(p, floor, z->id);
                break;
            case 7:
                add_void(p, floor, {{}, "Void", triangle()});
                break;
            case 8:
                add_access_point(p, floor, pick(*p.models).id, place());
                break;
            case 9:
                change_access_point(p, floor);
                break;
            case 10:
                if (const AccessPoint* ap = some(access_points(p, floor)))
                    remove_access_point(p, floor, ap->id);
                break;
            case 11:
                if (all_floors(p).size() < 5) add_floor(p, p.buildings.front().id);
                break;
            case 12:
                if (all_floors(p).size() > 2) remove_floor(p, floor);
                break;
            case 13:
                change_requirements(p, floor);
                break;
            case 14:
                add_drawing(p, floor, random_drawing());
                break;
            case 15:
                if (const Drawing* d = some(*find_floor(p, floor)->drawings)) change_drawing(p, floor, d->id);
                break;
            case 16:
                if (all_floors(p).size() < 6)
                    duplicate_floor(p, floor, {true, any(0, 1) < 0.5, true, true, any(0, 1) < 0.5});
                break;
            case 17:
                if (all_floors(p).size() < 6) insert_floor_above(p, floor);
                break;
            case 18:
                move_floor(p, floor, any(0, 1) < 0.5 ? 1 : -1);
                break;
            case 19:
                align_floor(p, floor, {any(0.9, 1.1), any(-180, 180), place()},
                            {pick(all_floors(p))->id, {{place(), place()}, {place(), place()}}});
                break;
            case 20:
                if (p.buildings.size() < 3)
                    add_building(p, "B", any(0, 1) < 0.5 ? BuildingKind::yard : BuildingKind::building,
                                 {1, any(-180, 180), place()});
                else
                    remove_building(p, pick(p.buildings).id);
                break;
            case 21:
                if (all_floors(p).size() < 6) add_mezzanine(p, floor);
                set_plate(p, floor, triangle());
                set_slope(p, floor, {any(-0.1, 0.1), any(-0.1, 0.1)});
                break;
        }
    }

private:
    double any(double low, double high) { return std::uniform_real_distribution<>(low, high)(engine_); }
    Point place() { return {any(-50, 50), any(-50, 50)}; }
    std::vector<Point> triangle() { return {place(), place(), place()}; }
    template <class List>
    const typename List::value_type& pick(const List& list) {
        return list[static_cast<std::size_t>(any(0, static_cast<double>(list.size()) - 0.001))];
    }
    template <class List>
    const typename List::value_type* some(const List& list) {
        return list.empty() ? nullptr : &pick(list);
    }
    Wall random_wall(const Project& p) {
        Wall w;
        w.type = pick(*p.wall_types).id;
        w.points = {place(), place(), place()};
        if (any(0, 1) < 0.5) w.top_m = any(0.5, 3);
        return w;
    }
    void change_wall(Project& p, FloorId floor) {
        const Wall* found = some(*find_floor(p, floor)->walls);
        if (!found) return;
        Wall w = *found;
        w.points.back() = place();
        w.type = pick(*p.wall_types).id;
        replace_wall(p, floor, w);
    }
    void add_random_opening(Project& p, FloorId floor) {
        const Wall* w = some(*find_floor(p, floor)->walls);
        if (!w) return;
        Opening o;
        o.kind = any(0, 1) < 0.5 ? OpeningKind::door : OpeningKind::window;
        o.type = pick(*p.wall_types).id;
        o.piece = static_cast<int>(any(0, w->pieces() - 0.001));
        o.start_m = any(0, 5);
        const WallId wall_id = w->id;  // the edit makes the list of walls anew
        const OpeningId id = add_opening(p, floor, wall_id, o);
        if (any(0, 1) < 0.3) remove_opening(p, floor, wall_id, id);
    }
    Drawing random_drawing() {
        Drawing d;
        d.name = d.source.asset = "d.png";
        d.source.sheet = {{any(-1e7, 0), 0}, {any(1, 1e4), any(1, 1e4)}};
        d.placement = {any(0.001, 1), any(-180, 180), place()};
        if (any(0, 1) < 0.5) d.crop = triangle();
        if (any(0, 1) < 0.5) d.source.hidden_layers = {"A", "B"};
        return d;
    }
    void change_drawing(Project& p, FloorId floor, DrawingId id) {
        Drawing d = *find_drawing(*find_floor(p, floor), id);
        const double what = any(0, 4);
        if (what < 1) return remove_drawing(p, floor, id);
        if (what < 2) return move_drawing(p, floor, id, 1);
        if (what < 3)
            d = revised(d, random_drawing().source, "newer");
        else
            d.lengths.push_back({place(), place(), any(1, 20)}), d = scaled_by_lengths(d);
        replace_drawing(p, floor, d);
    }
    void change_access_point(Project& p, FloorId floor) {
        const AccessPoint* found = some(access_points(p, floor));
        if (!found) return;
        AccessPoint ap = *found;
        ap.position = place();
        Radio& radio = ap.radios[0];
        const auto widths = channels(radio.channel.band, 20);
        radio = retuned(radio, radio.channel.band, pick(widths).number, 20);
        replace_access_point(p, floor, ap);
    }
    void change_requirements(Project& p, FloorId floor) {
        auto list = *p.requirements;
        Requirement r{new_id<RequirementId>(p), "r", "snr", band_6, any(0, 50), any(0, 1), {}};
        if (const Zone* z = some(*find_floor(p, floor)->zones)) r.zones.push_back(z->id);
        list.push_back(r);
        if (list.size() > 6) list.erase(list.begin());
        set_requirements(p, list);
    }
    std::mt19937 engine_;
};

}  // namespace

TEST_CASE("after any history of edits the project is valid and reads back the same") {
    for (unsigned seed = 1; seed <= 6; ++seed) {
        History history(seed);
        Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
        std::vector<std::pair<Project, std::string>> values;
        for (int i = 0; i < 150; ++i) {
            history.step(p);
            INFO("seed " << seed << ", step " << i);
            REQUIRE_NOTHROW(check_references(p));
            if (i % 25) continue;
            const std::string text = project_to_json(p);
            const Project read = project_from_json(text);
            REQUIRE(read == p);
            REQUIRE(project_to_json(read) == text);
            values.emplace_back(p, text);
        }
        // values kept on the way are untouched by what came after: that is what undo goes back to
        for (const auto& [value, text] : values) REQUIRE(project_to_json(value) == text);
    }
}

TEST_CASE("removing a floor also clears requirements that held only in its zones") {
    Project p = new_project("P", {}, 2, 3);
    const FloorId upper = floor_at(p, 1);
    const ZoneId zone = add_zone(p, upper, {{}, "Z", ZoneKind::served, {{0, 0}, {1, 0}, {1, 1}}});
    set_requirements(p, {{new_id<RequirementId>(p), "r", "signal", band_5, -67, 0.9, {zone}}});
    remove_floor(p, upper);
    CHECK_NOTHROW(check_references(p));
    CHECK_NOTHROW(project_from_json(project_to_json(p)));
}
