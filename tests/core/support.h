// SPDX-License-Identifier: GPL-3.0-or-later
// Small venues that tests build on, and the fixtures' check values.
#pragma once
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>
#include <string>

#include "project/archive.h"
#include "project/edits.h"
#include "project/safe_file.h"
#include "test_data.h"

namespace yemvo::test {

/// A value of tests/data/checks.json, worked out independently of this program.
inline double check_value(const std::string& id) {
    static const nlohmann::json checks = nlohmann::json::parse(std::ifstream(test_data() + "/checks.json"));
    for (const auto& c : checks)
        if (c["id"] == id) return c["value"].get<double>();
    throw std::runtime_error("no check " + id);
}

inline Project one_floor(double height_m = 3) {
    return new_project("Test", {LengthUnits::metres, "GB", 1.0, 7}, 1, height_m);
}
/// The project with its measured types at their square-entry loss at every angle: for links worked out by
/// hand.
inline Project at_square_entry(Project p) {
    std::vector<WallType> types = *p.wall_types;
    for (WallType& t : types)
        if (!t.losses.empty()) t.layers.clear();
    p.wall_types = types;
    return p;
}
/// These and nothing else, in one set.
inline RequirementSetId set_requirements(Project& p, std::vector<Requirement> list,
                                         std::vector<ZoneId> zones = {}) {
    p.requirement_sets = {};
    return add_requirement_set(p, {{}, "Required", true, std::move(zones), {}, std::move(list)});
}
inline FloorId floor_at(const Project& p, std::size_t index) { return all_floors(p)[index]->id; }

inline WallId wall(Project& p, const char* type, std::vector<Point> points, double base_m = 0,
                   std::optional<double> top_m = {}, std::size_t floor = 0) {
    Wall w;
    w.type = find_type(p, type);
    w.points = std::move(points);
    w.base_m = base_m;
    w.top_m = top_m;
    return add_wall(p, floor_at(p, floor), w);
}

/// An access point of a model; its antennas replaced by ideal ones that radiate alike all round.
inline AccessPointId isotropic_access_point(Project& p, Point at, double height_m = 2.5,
                                            std::size_t floor = 0) {
    std::vector<AccessPointModel> models = *p.models;
    for (AccessPointModel& m : models)
        for (RadioModel& r : m.radios)
            for (RadioBand& b : r.bands) b.antenna = Antenna{0, DomeLobe{100, 0}};
    p.models = models;
    const AccessPointId id = add_access_point(p, floor_at(p, floor), models[1].id, at);
    AccessPoint ap = *find_access_point(p, floor_at(p, floor), id);
    ap.height_m = height_m;
    replace_access_point(p, floor_at(p, floor), ap);
    return id;
}

/// A folder of this test alone, removed with it.
class TemporaryFolder {
public:
    TemporaryFolder() {
        std::string pattern = (std::filesystem::temp_directory_path() / "yemvo-test-XXXXXX").string();
        if (!mkdtemp(pattern.data())) throw std::runtime_error("no temporary folder");
        path_ = pattern;
    }
    ~TemporaryFolder() {
        std::error_code ignored;
        std::filesystem::remove_all(path_, ignored);
    }
    std::filesystem::path operator/(const std::string& name) const { return path_ / name; }

private:
    std::filesystem::path path_;
};

inline void write_archive(const std::filesystem::path& path,
                          const std::map<std::string, const Bytes*>& entries) {
    const Bytes bytes = archive_bytes(entries);
    replace_file(path, bytes.data(), bytes.size());
}

}  // namespace yemvo::test
