// SPDX-License-Identifier: GPL-3.0-or-later
// What keeping a tower of 40 floors in the journal and saving it takes: all of it at first, then after one
// wall was moved, against writing the whole project in one text each time, as was done before the file had
// parts.
#include "project/journal.h"

#include <cstdio>
#include <cstdlib>

#include "bench/scenes.h"
#include "bench/timing.h"
#include "project/edits.h"
#include "project/json_project.h"
#include "project/safe_file.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::bench;
namespace fs = std::filesystem;

namespace {

constexpr int storeys = 40;

void move_a_wall(Project& p, int i) {
    const Floor& f = p.buildings[0].floors[static_cast<std::size_t>(i) % storeys];
    Wall w = (*f.walls)[static_cast<std::size_t>(i)];
    w.points[1].y += 0.25;
    replace_wall(p, f.id, w);
}

/// As before the file had parts; gives the megabytes.
double write_whole(const Project& p, const fs::path& file) {
    const std::string text = project_to_json(p);
    write_flushed(file.string() + ".new", text.data(), text.size());
    fs::rename(file.string() + ".new", file);
    return static_cast<double>(text.size()) / 1e6;
}

double mb_in(const fs::path& folder, fs::file_time_type since) {
    double bytes = 0;
    for (const auto& e : fs::recursive_directory_iterator(folder))
        if (e.is_regular_file() && e.last_write_time() >= since) bytes += static_cast<double>(e.file_size());
    return bytes / 1e6;
}

}  // namespace

int main() {
    std::string pattern = (fs::temp_directory_path() / "yemvo-bench-XXXXXX").string();
    if (!mkdtemp(pattern.data())) return 2;
    const fs::path folder = pattern;
    Project p = tower(storeys, 120, 60, 1000, 50);
    std::printf("a tower of %d floors, %zu walls and 50 access points each\n", storeys,
                all_floors(p)[0]->walls->size());
    Journal journal(folder / "journal");
    const double first_ms = milliseconds([&] { journal.write(p, ""); });
    std::printf("the first writing of the journal: %.0f ms, %.2f MB\n", first_ms,
                mb_in(journal.folder(), fs::file_time_type::min()));
    std::vector<double> parts_ms, whole_ms;
    double mb = 0, whole_mb = 0;
    for (int i = 0; i < 15; ++i) {
        move_a_wall(p, i);
        const auto began = fs::file_time_type::clock::now() - std::chrono::milliseconds(10);
        parts_ms.push_back(milliseconds([&] { journal.write(p, ""); }));
        mb = mb_in(journal.folder(), began);
        whole_ms.push_back(milliseconds([&] { whole_mb = write_whole(p, folder / "whole.json"); }));
    }
    print("one wall moved, the parts that changed", figures(parts_ms));
    print("one wall moved, all in one text", figures(whole_ms));
    std::printf("  %.3f MB against %.3f MB: a %.0fth of the bytes, a %.0fth of the time\n", mb, whole_mb,
                whole_mb / mb, figures(whole_ms).median_ms / figures(parts_ms).median_ms);
    std::vector<double> save_ms, open_ms;
    for (int i = 0; i < 5; ++i) {
        save_ms.push_back(milliseconds([&] { save_project(p, folder / "tower.yemvo"); }));
        open_ms.push_back(milliseconds([&] { load_project(folder / "tower.yemvo"); }));
    }
    print("saving the file and reading it back", figures(save_ms));
    print("opening it", figures(open_ms));
    journal.clear();
    fs::remove_all(folder);
    return 0;
}
