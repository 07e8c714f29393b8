// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/versions.h"

#include <algorithm>
#include <cstdio>
#include <fstream>
#include <map>
#include <system_error>

#include "base/error.h"
#include "base/hash_text.h"
#include "project/safe_file.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;
using std::chrono::system_clock;
constexpr const char *about_name = "file.txt", *of_project = ".yemvo";

system_clock::time_point written(const fs::path& path) {
    std::error_code fault;
    const auto time = fs::last_write_time(path, fault);
    if (fault) return {};
    return std::chrono::time_point_cast<system_clock::duration>(std::chrono::file_clock::to_sys(time));
}

/// Sorts as text in the order of time.
std::string name_for(system_clock::time_point t) {
    char name[32];
    const auto ms = std::chrono::duration_cast<std::chrono::milliseconds>(t.time_since_epoch()).count();
    std::snprintf(name, sizeof name, "%015lld", static_cast<long long>(ms));
    return name;
}

}  // namespace

Versions::Versions(fs::path root, VersionRing ring) : root_(std::move(root)), ring_(ring) {}

fs::path Versions::folder_of(const fs::path& file) const {
    return root_ / hash_text(fs::absolute(file).lexically_normal().string());
}

void Versions::keep(const fs::path& now, const fs::path& file) const {
    const fs::path folder = folder_of(file);
    const std::string name = fs::absolute(file).lexically_normal().string();
    try {
        fs::create_directories(folder);
        if (!fs::exists(folder / about_name)) write_flushed(folder / about_name, name.data(), name.size());
        const fs::path copy = folder / (name_for(written(now)) + of_project);
        if (fs::exists(copy)) return;
        const fs::path beside = copy.string() + ".writing";
        fs::copy_file(now, beside, fs::copy_options::overwrite_existing);
        fs::last_write_time(beside, fs::last_write_time(now));
        fs::rename(beside, copy);
        prune();
    } catch (const std::system_error& fault) {
        throw Error(say("the version before could not be kept: %1", fault.code().message()), folder.string(),
                    say("Free some space"));
    }
}

std::vector<KeptVersion> Versions::in(const fs::path& folder) const {
    std::vector<KeptVersion> found;
    std::ifstream about(folder / about_name, std::ios::binary);
    const std::string file{std::istreambuf_iterator<char>(about), {}};
    std::error_code fault;
    for (const auto& entry : fs::directory_iterator(folder, fault)) {
        if (entry.path().extension() != of_project) continue;
        const std::uint64_t bytes = entry.file_size(fault);
        found.push_back({entry.path(), file, written(entry.path()), bytes});
    }
    std::sort(found.begin(), found.end(), [](const KeptVersion& a, const KeptVersion& b) {
        return a.copy.filename() > b.copy.filename();
    });
    return found;
}

std::vector<KeptVersion> Versions::of(const fs::path& file) const { return in(folder_of(file)); }

std::vector<KeptVersion> Versions::all() const {
    std::vector<KeptVersion> found;
    std::error_code fault;
    for (const auto& entry : fs::directory_iterator(root_, fault)) {
        const auto more = in(entry.path());
        found.insert(found.end(), more.begin(), more.end());
    }
    std::sort(found.begin(), found.end(),
              [](const KeptVersion& a, const KeptVersion& b) { return a.saved > b.saved; });
    return found;
}

void Versions::prune() const {
    std::error_code ignored;
    std::uint64_t bytes = 0;
    std::map<fs::path, std::size_t> newer;
    for (const KeptVersion& v : all()) {
        const std::size_t before = newer[v.copy.parent_path()]++;
        bytes += v.bytes;
        const bool old = system_clock::now() - v.saved > ring_.age;
        const bool much = before >= ring_.most || bytes > ring_.bytes;
        if (before == 0 || (before < ring_.least && !(bytes > ring_.bytes)) || (!old && !much)) continue;
        bytes -= v.bytes;
        fs::remove(v.copy, ignored);
    }
}

}  // namespace yemvo
