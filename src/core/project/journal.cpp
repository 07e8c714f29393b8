#include "project/journal.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <algorithm>
#include <cstring>
#include <fstream>
#include <nlohmann/json.hpp>
#include <system_error>

#include "project/edits.h"
#include "project/json_project.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;
constexpr const char *lock_name = "lock", *value_name = "project.json", *about_name = "about.json",
                     *asset_folder = "assets";

[[noreturn]] void fail(const std::string& what, const fs::path& where) {
    throw Error(what + ": " + std::strerror(errno), where.string(),
                "Unsaved work is not protected until this works again; save the project");
}

/// Beside the target, flushed to the disk, then renamed onto it.
void write_file(const fs::path& path, const void* data, std::size_t size) {
    const fs::path beside = path.string() + ".new";
    const int file = ::open(beside.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0600);
    if (file < 0) fail("the journal cannot be written", beside);
    const auto* bytes = static_cast<const char*>(data);
    for (std::size_t done = 0; done < size;) {
        const ssize_t n = ::write(file, bytes + done, size - done);
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) {
            ::close(file);
            fail("the journal cannot be written", beside);
        }
        done += static_cast<std::size_t>(n);
    }
    const bool flushed = ::fsync(file) == 0;
    ::close(file);
    if (!flushed || ::rename(beside.c_str(), path.c_str()) != 0) fail("the journal cannot be written", path);
}

void write_file(const fs::path& path, const std::string& text) { write_file(path, text.data(), text.size()); }

std::string read_text(const fs::path& path) {
    std::ifstream in(path, std::ios::binary);
    if (!in) throw Error("cannot be read", path.string(), "");
    return {std::istreambuf_iterator<char>(in), {}};
}

/// Asset names come from files and may hold anything: on disk they are numbers.
std::string disk_name(const std::string& asset) {
    std::string name;
    for (unsigned char c : asset) {
        char hex[3];
        std::snprintf(hex, sizeof hex, "%02x", c);
        name += hex;
    }
    return name.substr(0, 200);
}

/// Holds the lock when it is free; -1 when a running program has it.
int try_lock(const fs::path& folder) {
    const int file = ::open((folder / lock_name).c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0600);
    if (file < 0) return -1;
    if (::flock(file, LOCK_EX | LOCK_NB) == 0) return file;
    ::close(file);
    return -1;
}

/// What stands about the value, as an object; empty when it is damaged, since the value may still be whole.
nlohmann::json read_about(const fs::path& folder) {
    auto about = nlohmann::json::parse(std::ifstream(folder / about_name), nullptr, false);
    return about.is_object() ? about : nlohmann::json::object();
}

std::string text_in(const nlohmann::json& about, const char* key) {
    const auto found = about.find(key);
    return found != about.end() && found->is_string() ? found->get<std::string>() : std::string();
}

}  // namespace

Journal::Journal(const fs::path& root) {
    std::error_code fault;
    fs::create_directories(root, fault);
    std::string pattern = (root / "work-XXXXXX").string();
    if (fault || !mkdtemp(pattern.data())) fail("the journal's folder cannot be made", root);
    folder_ = pattern;
    lock_ = try_lock(folder_);
    if (lock_ < 0) fail("the journal's folder cannot be locked", folder_);
}

Journal::~Journal() {
    std::error_code ignored;
    if (!fs::exists(folder_ / value_name, ignored)) fs::remove_all(folder_, ignored);
    if (lock_ >= 0) ::close(lock_);
}

void Journal::write(const Project& value, const std::string& file) {
    Project project = value;
    drop_unused_assets(project);
    std::error_code fault;
    fs::create_directories(folder_ / asset_folder, fault);
    for (const auto& [name, bytes] : project.assets) {
        if (const auto kept = written_.find(name); kept != written_.end() && kept->second == bytes.identity())
            continue;
        write_file(folder_ / asset_folder / disk_name(name), bytes->data(), bytes->size());
        written_[name] = bytes.identity();
    }
    nlohmann::ordered_json assets = nlohmann::ordered_json::object();
    for (const auto& [name, bytes] : project.assets) assets[name] = disk_name(name);
    write_file(folder_ / about_name,
               nlohmann::ordered_json{{"project", project.name}, {"file", file}, {"assets", assets}}.dump(
                   1, ' ', false, nlohmann::ordered_json::error_handler_t::replace));
    write_file(folder_ / value_name, project_to_json(project));
}

void Journal::clear() {
    std::error_code ignored;
    fs::remove(folder_ / value_name, ignored);
    fs::remove(folder_ / about_name, ignored);
    fs::remove_all(folder_ / asset_folder, ignored);
    written_.clear();
}

std::vector<Leftover> leftovers(const fs::path& root) {
    std::vector<Leftover> found;
    std::error_code fault;
    for (const auto& entry : fs::directory_iterator(root, fault)) {
        if (!entry.is_directory() || !fs::exists(entry.path() / value_name)) continue;
        const int lock = try_lock(entry.path());
        if (lock < 0) continue;
        ::close(lock);
        Leftover l;
        l.folder = entry.path();
        l.written = std::chrono::time_point_cast<std::chrono::system_clock::duration>(
            std::chrono::file_clock::to_sys(fs::last_write_time(entry.path() / value_name)));
        const auto about = read_about(entry.path());
        l.project = text_in(about, "project");
        l.file = text_in(about, "file");
        found.push_back(std::move(l));
    }
    std::sort(found.begin(), found.end(),
              [](const Leftover& a, const Leftover& b) { return a.written > b.written; });
    return found;
}

Project recover(const Leftover& l) {
    Project project = project_from_json(read_text(l.folder / value_name));
    const auto about = read_about(l.folder);
    if (about.contains("assets") && about["assets"].is_object())
        for (const auto& [name, on_disk] : about["assets"].items()) {
            if (!on_disk.is_string()) continue;
            const fs::path path = l.folder / asset_folder / fs::path(on_disk.get<std::string>()).filename();
            if (!fs::is_regular_file(path)) continue;
            const std::string text = read_text(path);
            const auto* begin = reinterpret_cast<const std::byte*>(text.data());
            project.assets[name] = Shared<Bytes>(Bytes(begin, begin + text.size()));
        }
    return project;
}

void discard(const Leftover& l) {
    std::error_code ignored;
    fs::remove_all(l.folder, ignored);
}

}  // namespace yemvo
