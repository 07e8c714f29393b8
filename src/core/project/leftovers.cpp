// SPDX-License-Identifier: GPL-3.0-or-later
#include <unistd.h>

#include <algorithm>
#include <system_error>

#include "project/file/read_file.h"
#include "project/journal.h"
#include "project/journal_folder.h"

namespace yemvo {

namespace fs = std::filesystem;
using namespace journal_folder;

constexpr const char* thrown_away = "thrown-away-";

/// The file that tells of the value in a journal's folder; empty where there is none.
static fs::path value_in(const fs::path& folder) {
    std::error_code ignored;
    for (const char* name : {work_name, old_value})
        if (fs::is_regular_file(folder / name, ignored)) return folder / name;
    return {};
}

static std::vector<Leftover> folders(const fs::path& root, bool thrown) {
    std::vector<Leftover> found;
    std::error_code fault;
    for (const auto& entry : fs::directory_iterator(root, fault)) {
        if (entry.path().filename().string().starts_with(thrown_away) != thrown) continue;
        const fs::path value = value_in(entry.path());
        if (value.empty()) continue;
        const int lock = try_lock(entry.path());
        if (lock < 0) continue;
        ::close(lock);
        Leftover l;
        l.folder = entry.path();
        l.written = std::chrono::time_point_cast<std::chrono::system_clock::duration>(
            std::chrono::file_clock::to_sys(fs::last_write_time(value)));
        const Work work = read_work(entry.path());
        l.project = work.project;
        l.file = work.file;
        found.push_back(std::move(l));
    }
    std::sort(found.begin(), found.end(),
              [](const Leftover& a, const Leftover& b) { return a.written > b.written; });
    return found;
}

std::vector<Leftover> leftovers(const fs::path& root) { return folders(root, false); }
std::vector<Leftover> thrown_away_leftovers(const fs::path& root) { return folders(root, true); }

Project recover(const Leftover& l) {
    const Source source(l.folder);
    Project project = with_aside(read_project(source, true));
    read_assets(source, project);
    return project;
}

static Leftover renamed(const Leftover& l, const std::string& name) {
    Leftover moved = l;
    moved.folder = l.folder.parent_path() / name;
    std::error_code fault;
    fs::rename(l.folder, moved.folder, fault);
    if (fault)
        throw Error(say("could not be moved: %1", fault.message()), l.folder.string(),
                    say("Check that you may write there"));
    return moved;
}

Leftover throw_away(const Leftover& l) {
    std::error_code ignored;
    for (const Leftover& old : thrown_away_leftovers(l.folder.parent_path()))
        if (std::chrono::system_clock::now() - old.written > keeps_thrown_away)
            fs::remove_all(old.folder, ignored);
    return renamed(l, thrown_away + l.folder.filename().string());
}

Leftover take_back(const Leftover& l) {
    std::string name = l.folder.filename().string();
    if (name.starts_with(thrown_away)) name.erase(0, std::string_view(thrown_away).size());
    return renamed(l, name);
}

void discard(const Leftover& l) {
    std::error_code ignored;
    fs::remove_all(l.folder, ignored);
}

}  // namespace yemvo
