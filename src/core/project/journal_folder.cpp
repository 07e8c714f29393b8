// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/journal_folder.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "base/hash_text.h"
#include "project/json_parse.h"

namespace yemvo::journal_folder {
namespace {

namespace fs = std::filesystem;

/// An object; an empty one where the file is missing or damaged.
Json read_object(const fs::path& path) {
    try {
        std::ifstream in(path, std::ios::binary);
        Json json = parse_json(in, path.filename().string(), {});
        if (json.is_object()) return json;
    } catch (const Error&) {
        // the entries may still be whole, but nothing tells which they are
    }
    return Json::object();
}

std::string text_in(const Json& json, const char* key) {
    const auto found = json.find(key);
    return found != json.end() && found->is_string() ? found->get<std::string>() : std::string();
}

/// Adds what an object says of where entries lie, as paths below the folder.
void add_entries(const Json& json, const char* key, const std::string& prefix, const fs::path& below,
                 Work& work) {
    const auto found = json.find(key);
    if (found == json.end() || !found->is_object()) return;
    for (const auto& [name, on_disk] : found->items())
        if (on_disk.is_string())
            work.on_disk[prefix + name] = (below / fs::path(on_disk.get<std::string>()).filename()).string();
}

Work read_old(const fs::path& folder) {
    const Json about = read_object(folder / old_about);
    Work work{text_in(about, "project"), text_in(about, "file"), {{old_value, old_value}}};
    add_entries(about, "assets", std::string(asset_prefix), old_assets, work);
    return work;
}

}  // namespace

std::string work_text(const Work& work) {
    Json entries = Json::object();
    for (const auto& [entry, on_disk] : work.on_disk) entries[entry] = fs::path(on_disk).filename().string();
    return Json{{"format", "yemvo-journal"},
                {"version", 1},
                {"project", work.project},
                {"file", work.file},
                {"entries", std::move(entries)}}
        .dump(1, ' ', false, Json::error_handler_t::replace);
}

Work read_work(const fs::path& folder) {
    std::error_code ignored;
    if (!fs::exists(folder / work_name, ignored)) return read_old(folder);
    const Json json = read_object(folder / work_name);
    Work work{text_in(json, "project"), text_in(json, "file"), {}};
    add_entries(json, "entries", "", entry_folder, work);
    return work;
}

Source::Source(const fs::path& folder) : folder_(folder), work_(read_work(folder)) {
    for (const auto& entry : work_.on_disk) names_.push_back(entry.first);
}

Bytes Source::read(const std::string& entry) const {
    const auto found = work_.on_disk.find(entry);
    if (found == work_.on_disk.end())
        throw Error(say("is missing"), entry, say("Try an earlier version of the file"));
    const fs::path path = folder_ / found->second;
    std::ifstream in(path, std::ios::binary);
    if (!in || fs::is_directory(path))
        throw Error(say("cannot be read"), path.string(), say("Check that you may read it"));
    const std::string text((std::istreambuf_iterator<char>(in)), {});
    if (fs::path(found->second).parent_path() == entry_folder && path.filename() != hash_text(text))
        throw Error(say("its bytes are damaged"), entry, say("Try an earlier version of the file"));
    return bytes_of(text);
}

void Source::stream(const std::string& entry, const std::function<void(std::istream&)>& use) const {
    const Bytes bytes = read(entry);
    ViewBuffer buffer(text_of(bytes));
    std::istream in(&buffer);
    use(in);
}

int try_lock(const fs::path& folder) {
    const int file = ::open((folder / lock_name).c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0600);
    if (file < 0) return -1;
    if (::flock(file, LOCK_EX | LOCK_NB) == 0) return file;
    ::close(file);
    return -1;
}

}  // namespace yemvo::journal_folder
