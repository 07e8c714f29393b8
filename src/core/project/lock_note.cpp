// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/lock_note.h"

#include <fcntl.h>
#include <pwd.h>
#include <signal.h>
#include <unistd.h>

#include <array>
#include <cerrno>
#include <fstream>
#include <nlohmann/json.hpp>

#include "base/utf8.h"
#include "project/json_parse.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;

std::string this_host() {
    std::array<char, 256> name{};
    return ::gethostname(name.data(), name.size() - 1) == 0 ? as_utf8(name.data()) : std::string("?");
}

std::string this_user() {
    const passwd* entry = ::getpwuid(::getuid());
    return entry && entry->pw_name ? as_utf8(entry->pw_name) : std::to_string(::getuid());
}

/// Of another machine nothing is known: its process counts as running.
bool still_runs(const OpenedBy& by) {
    if (by.host != this_host()) return true;
    return ::kill(by.pid, 0) == 0 || errno == EPERM;
}

std::optional<OpenedBy> read_note(const fs::path& note) {
    std::error_code fault;
    if (!fs::is_regular_file(note, fault) || fs::file_size(note, fault) > 10'000) return std::nullopt;
    try {
        std::ifstream in(note, std::ios::binary);
        const Json json = parse_json(in, "note", {});
        const Reader r(json, "note: ");
        OpenedBy by{r.at("user").text(), r.at("host").text(), r.at("pid").integer(), {}};
        by.since = std::chrono::system_clock::time_point(
            std::chrono::seconds(static_cast<long long>(r.at("since").number())));
        if (by.pid <= 0) return std::nullopt;
        return by;
    } catch (const Error&) {
        return std::nullopt;  // somebody's file of that name says nothing
    }
}

}  // namespace

fs::path LockNote::name_for(const fs::path& file) {
    std::string name(1, '.');
    name += file.filename().string().substr(0, 200);
    name += ".open";
    return file.parent_path() / name;
}

std::optional<OpenedBy> opened_by(const fs::path& file) {
    const auto by = read_note(LockNote::name_for(file));
    return by && still_runs(*by) ? by : std::nullopt;
}

LockNote::LockNote(const fs::path& file) : note_(name_for(file)) {
    other_ = opened_by(file);
    if (other_ && other_->host == this_host() && other_->pid == ::getpid()) other_.reset();
    if (other_) return;
    std::error_code fault;
    if (fs::exists(note_, fault) && !read_note(note_)) return;  // not a note: not ours to write over
    const auto now =
        std::chrono::duration_cast<std::chrono::seconds>(std::chrono::system_clock::now().time_since_epoch())
            .count();
    const std::string text = Json{
        {"user", this_user()},
        {"host", this_host()},
        {"pid", static_cast<int>(::getpid())},
        {"since", now}}.dump();
    std::ofstream out(note_, std::ios::binary | std::ios::trunc);
    out << text << "\n";
    ours_ = static_cast<bool>(out.flush());
}

LockNote::~LockNote() {
    if (!ours_) return;
    const auto by = read_note(note_);
    std::error_code ignored;
    if (by && by->host == this_host() && by->pid == ::getpid()) fs::remove(note_, ignored);
}

}  // namespace yemvo
