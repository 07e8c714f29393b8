// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/journal.h"

#include <unistd.h>

#include <cstring>
#include <set>
#include <system_error>

#include "base/hash_text.h"
#include "project/edits.h"
#include "project/file/write_file.h"
#include "project/safe_file.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;
using namespace journal_folder;

[[noreturn]] void fail(const Said& what, const fs::path& where) {
    throw Error(said_joined(": ", what, std::string(std::strerror(errno))), where.string(),
                say("Unsaved work is not protected until this works again; save the project"));
}

/// Beside the target, flushed to the disk, then renamed onto it.
void write_file(const fs::path& path, std::string_view text) {
    const fs::path beside = path.string() + ".new";
    try {
        write_flushed(beside, text.data(), text.size());
        fs::rename(beside, path);
    } catch (const std::system_error& fault) {
        errno = fault.code().value();
        fail(say("the journal cannot be written"), path);
    }
}

bool shares(const Project& a, const Project& b, const std::string& asset) {
    const auto here = a.assets.find(asset), there = b.assets.find(asset);
    return here != a.assets.end() && there != b.assets.end() && here->second.same(there->second);
}

}  // namespace

Journal::Journal(const fs::path& root) {
    std::error_code fault;
    fs::create_directories(root, fault);
    std::string pattern = (root / "work-XXXXXX").string();
    if (fault || !mkdtemp(pattern.data())) fail(say("the journal's folder cannot be made"), root);
    folder_ = pattern;
    lock_ = try_lock(folder_);
    if (lock_ < 0) fail(say("the journal's folder cannot be locked"), folder_);
}

Journal::~Journal() {
    std::error_code ignored;
    if (!fs::exists(folder_ / work_name, ignored)) fs::remove_all(folder_, ignored);
    if (lock_ >= 0) ::close(lock_);
}

void Journal::write(const Project& value, const std::string& file) {
    Project project = value;
    drop_unused_assets(project);
    std::error_code fault;
    fs::create_directories(folder_ / entry_folder, fault);
    Work next{project.name, file, {}};
    const auto kept = [&](const std::string& entry) {
        const auto found = work_.on_disk.find(entry);
        if (found != work_.on_disk.end()) next.on_disk.insert(*found);
        return found != work_.on_disk.end();
    };
    for (const FilePart& part : file_parts(project))
        if (!(last_ && part.same_in(*last_) && kept(part.entry)))
            next.on_disk[part.entry] = write_entry(part.text());
    for (const auto& [name, bytes] : project.assets) {
        const std::string entry = std::string(asset_prefix) + name;
        if (!(last_ && shares(project, *last_, name) && kept(entry)))
            next.on_disk[entry] = write_entry(text_of(*bytes));
    }
    write_file(folder_ / work_name, work_text(next));
    work_ = std::move(next);
    last_ = std::make_unique<Project>(std::move(project));
    remove_unnamed();
}

std::string Journal::write_entry(std::string_view bytes) {
    const fs::path on_disk = fs::path(entry_folder) / hash_text(bytes);
    if (!fs::exists(folder_ / on_disk)) write_file(folder_ / on_disk, bytes);
    return on_disk.string();
}

/// What the newest value does not name any more.
void Journal::remove_unnamed() {
    std::set<std::string> named;
    for (const auto& entry : work_.on_disk) named.insert(fs::path(entry.second).filename().string());
    std::error_code ignored;
    for (const auto& file : fs::directory_iterator(folder_ / entry_folder, ignored))
        if (!named.contains(file.path().filename().string())) fs::remove(file.path(), ignored);
}

void Journal::clear() {
    std::error_code ignored;
    fs::remove(folder_ / work_name, ignored);
    fs::remove_all(folder_ / entry_folder, ignored);
    work_ = {};
    last_.reset();
}

}  // namespace yemvo
