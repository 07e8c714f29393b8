// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/access_point_list.h"

#include <algorithm>
#include <map>
#include <optional>
#include <set>

#include "base/error.h"
#include "base/length_text.h"
#include "project/edits.h"
#include "project/gear_edits.h"
#include "project/rules.h"
#include "project/table_rows.h"

namespace yemvo {
namespace {

constexpr std::size_t most_faults_told = 10;

const AccessPointModel* find_model(const Project& project, const std::string& text) {
    for (const AccessPointModel& m : *project.models)
        if (m.key == text || m.name == text) return &m;
    return nullptr;
}

std::optional<PlacedAccessPoint> find_called(const Project& project, const std::string& name) {
    const auto all = placed_access_points(project);
    for (const auto& placed : all)
        if (placed.access_point->name == name) return placed;
    for (const auto& placed : all)
        if (placed.access_point->name.empty() && std::to_string(placed.access_point->number) == name)
            return placed;
    return {};
}

/// Reads one row against the plan.
class RowReader {
public:
    RowReader(const Project& project, const TableRow& row) : project_(project), row_(row) {}

    ListedAccessPoint read() {
        const std::string name = row_.needed("name");
        before_ = find_called(project_, name);
        ListedAccessPoint out;
        out.place = row_.place();
        if (before_) {
            out.what = ListedAccessPoint::What::same;
            out.floor_before = before_->floor->id;
            ap_ = *before_->access_point;
        }
        floor_ = floor_told();
        model_told();
        if (!before_ || !is_number(name)) ap_.name = name;
        place_told();
        figures_told();
        on_site_told();
        try {
            check(ap_);
        } catch (const RuleBroken& rule) {
            row_.fail(say("its %1 %2", rule.words, rule.reason()));
        }
        out.floor = floor_->id;
        out.access_point = ap_;
        if (before_) out.changes = changes();
        if (before_ && !out.changes.empty()) out.what = ListedAccessPoint::What::changed;
        return out;
    }

private:
    bool is_number(const std::string& name) const {
        return before_->access_point->name.empty() && std::to_string(ap_.number) == name;
    }
    const Floor* floor_told() {
        const std::string title = row_.text("floor");
        if (title.empty()) {
            if (!before_) row_.fail(say("is new, and no floor is told"));
            return before_->floor;
        }
        const Floor* floor = find_floor(project_, title);
        if (!floor) row_.fail(say("there is no floor '%1'", title.substr(0, 60)));
        return floor;
    }
    void model_told() {
        const std::string told = row_.text("model");
        if (told.empty()) {
            if (!before_) row_.fail(say("is new, and no model is told"));
            return;
        }
        const AccessPointModel* m = find_model(project_, told);
        if (!m) row_.fail(say("there is no model '%1'", told.substr(0, 60)));
        if (!before_) {
            ap_ = make_access_point(*m, {}, 1, {});
            for (Radio& r : ap_.radios) r.channel_open = true;
            return;
        }
        if (m->id == ap_.model) return;
        std::vector<Said> lost;
        ap_ = as_model(project_, ap_, *m, lost);
    }
    void place_told() {
        const bool on_floor = !row_.text("x_m").empty() || !row_.text("y_m").empty();
        const bool on_site = !row_.text("east_m").empty() || !row_.text("north_m").empty();
        if (on_floor && on_site) row_.fail(say("has a place on the floor and another on the site"));
        if (on_floor) ap_.position = {row_.number("x_m"), row_.number("y_m")};
        if (on_site)
            ap_.position = building_with(project_, floor_->id)
                               .placement.invert({row_.number("east_m"), row_.number("north_m")});
        const std::string grid = row_.text("grid");
        if (!grid.empty() && !on_floor && !on_site) ap_.position = by_axes(grid);
        if (!before_ && !on_floor && !on_site && grid.empty()) row_.fail(say("is new, and no place is told"));
        if (!before_) ap_.height_m = std::min(ap_.height_m, hanging_m(*floor_, ap_.position));
    }
    Point by_axes(const std::string& grid) const {
        const Building& building = building_with(project_, floor_->id);
        if (building.axes.empty())
            row_.fail(say("has a place by axes, and %1 has none: tell them in its Details", building.name));
        const auto place = find_axis_place(building.axes, grid);
        if (!place)
            row_.fail(say("'%1' is no place by the axes of %2: they are A to %3 and 1 to %4",
                          grid.substr(0, 40), building.name, axis_letter(building.axes.letters_m.size()),
                          building.axes.numbers_m.size() + 1));
        return *place;
    }
    void figures_told() {
        const auto take = [&](const char* column, double& into) {
            if (!row_.text(column).empty()) into = row_.number(column);
        };
        take("height_m", ap_.height_m);
        take("azimuth_deg", ap_.azimuth_deg);
        take("tilt_deg", ap_.downtilt_deg);
        if (!row_.text("mount").empty()) ap_.mount = row_.word("mount", find_mount);
    }
    void on_site_told() {
        OnSite& s = ap_.on_site;
        if (!row_.text("state").empty()) s.state = row_.word("state", find_site_state);
        const auto take = [&](const char* column, std::string& into) {
            if (const std::string told = row_.text(column); !told.empty()) into = told;
        };
        take("date", s.date);
        take("serial", s.serial);
        take("note", s.note);
        if (const std::string told = row_.text("address"); !told.empty()) {
            const auto address = address_text(told);
            if (!address) row_.fail(say("'%1' is no address of six bytes", told.substr(0, 40)));
            s.address = *address;
        }
    }
    std::vector<Said> changes() const {
        std::vector<Said> all;
        const AccessPoint& old = *before_->access_point;
        const LengthUnits units = project_.settings.units;
        if (floor_ != before_->floor)
            all.push_back(
                say("from %1 to %2", floor_title(project_, *before_->floor), floor_title(project_, *floor_)));
        else if (distance(old.position, ap_.position) > 0.0005)
            all.push_back(say("moved by %1", said_length(distance(old.position, ap_.position), units)));
        if (old.model != ap_.model)
            all.push_back(say("model %1 instead of %2", model(project_, ap_.model).name,
                              model(project_, old.model).name));
        if (old.height_m != ap_.height_m)
            all.push_back(say("height %1 instead of %2", said_length(ap_.height_m, units),
                              said_length(old.height_m, units)));
        if (old.azimuth_deg != ap_.azimuth_deg || old.downtilt_deg != ap_.downtilt_deg ||
            old.mount != ap_.mount)
            all.push_back(say("hangs or looks another way"));
        if (old.name != ap_.name) all.push_back(say("called %1", ap_.name));
        if (!(old.on_site == ap_.on_site)) all.push_back(say("its state on site"));
        return all;
    }

    const Project& project_;
    const TableRow& row_;
    std::optional<PlacedAccessPoint> before_;
    const Floor* floor_ = nullptr;
    AccessPoint ap_;
};

[[noreturn]] void refuse(const std::vector<Said>& faults) {
    std::vector<Said> told(faults.begin(), faults.begin() + static_cast<std::ptrdiff_t>(
                                                                std::min(faults.size(), most_faults_told)));
    if (faults.size() > most_faults_told)
        told.push_back(say("and %1 more", faults.size() - most_faults_told));
    throw Error(Said::joined("; ", told), {}, say("Nothing was taken: mend the list and read it again"));
}

}  // namespace

ListedAccessPoints read_access_points(const Project& project, std::string_view text,
                                      const std::string& file) {
    constexpr const char* needed[] = {"name"};
    const Table table(text, file, needed);
    if (table.rows().empty())
        throw Error(say("has no row with an access point"), file, say("Write a row each"));
    if (all_floors(project).empty())
        throw Error(say("has access points, and the project has no floor"), file, say("Add floors first"));
    ListedAccessPoints list;
    std::vector<Said> faults;
    std::map<std::string, std::string> seen;
    for (const TableRow& row : table.rows()) try {
            const std::string name = row.needed("name");
            const auto [first, fresh] = seen.try_emplace(name, row.place());
            if (!fresh) row.fail(say("'%1' stands in the list twice", name.substr(0, 60)));
            list.rows.push_back(RowReader(project, row).read());
        } catch (const Error& error) {
            faults.push_back(Said::joined(": ", {error.where(), error.summary()}));
        }
    if (!faults.empty()) refuse(faults);
    for (const ListedAccessPoint& row : list.rows) {
        list.added += row.what == ListedAccessPoint::What::added;
        list.changed += row.what == ListedAccessPoint::What::changed;
        list.same += row.what == ListedAccessPoint::What::same;
    }
    list.not_listed = static_cast<int>(placed_access_points(project).size()) - list.changed - list.same;
    return list;
}

void take_access_points(Project& project, const ListedAccessPoints& list) {
    using What = ListedAccessPoint::What;
    for (const ListedAccessPoint& row : list.rows) {
        if (row.what == What::same) continue;
        AccessPoint ap = row.access_point;
        if (row.what == What::changed && row.floor == row.floor_before) {
            replace_access_point(project, row.floor, ap);
            continue;
        }
        const int number = ap.number;
        if (row.what == What::changed) remove_access_point(project, row.floor_before, ap.id);
        ap.id = add_access_point(project, row.floor, ap.model, ap.position);
        ap.number = row.what == What::changed ? number : find_access_point(project, row.floor, ap.id)->number;
        replace_access_point(project, row.floor, ap);
    }
}

}  // namespace yemvo
