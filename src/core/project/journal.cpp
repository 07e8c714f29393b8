#include "project/journal.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <algorithm>
#include <cstring>
#include <fstream>
#include <nlohmann/json.hpp>
#include <system_error>

#include "base/hash_text.h"
#include "project/edits.h"
#include "project/json_parse.h"
#include "project/json_project.h"
#include "project/safe_file.h"

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
    try {
        write_flushed(beside, data, size);
        fs::rename(beside, path);
    } catch (const std::system_error& fault) {
        errno = fault.code().value();
        fail("the journal cannot be written", path);
    }
}

void write_file(const fs::path& path, const std::string& text) { write_file(path, text.data(), text.size()); }

std::string read_text(const fs::path& path) {
    std::ifstream in(path, std::ios::binary);
    if (!in) throw Error("cannot be read", path.string(), "");
    return {std::istreambuf_iterator<char>(in), {}};
}

/// Asset names come from files and may hold anything, or be too long: on disk they are called by content.
std::string disk_name(const Bytes& bytes) {
    return hash_text({reinterpret_cast<const char*>(bytes.data()), bytes.size()});
}

constexpr const char* thrown_away = "thrown-away-";

/// Holds the lock when it is free; -1 when a running program has it.
int try_lock(const fs::path& folder) {
    const int file = ::open((folder / lock_name).c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0600);
    if (file < 0) return -1;
    if (::flock(file, LOCK_EX | LOCK_NB) == 0) return file;
    ::close(file);
    return -1;
}

/// What stands about the value, as an object; empty when it is damaged, since the value may still be whole.
Json read_about(const fs::path& folder) {
    try {
        std::ifstream in(folder / about_name, std::ios::binary);
        Json about = parse_json(in, about_name, "");
        if (about.is_object()) return about;
    } catch (const Error&) {
        // the value may still be whole
    }
    return Json::object();
}

std::string text_in(const Json& about, const char* key) {
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
    Json assets = Json::object();
    for (const auto& [name, bytes] : project.assets) {
        auto& written = written_[name];
        if (!written.bytes || !written.bytes->same(bytes)) {
            const std::string on_disk = disk_name(*bytes);
            if (!fs::exists(folder_ / asset_folder / on_disk))
                write_file(folder_ / asset_folder / on_disk, bytes->data(), bytes->size());
            written = {bytes, on_disk};
        }
        assets[name] = written.on_disk;
    }
    write_file(folder_ / about_name, Json{{"project", project.name}, {"file", file}, {"assets", assets}}.dump(
                                         1, ' ', false, Json::error_handler_t::replace));
    write_file(folder_ / value_name, project_to_json(project));
}

void Journal::clear() {
    std::error_code ignored;
    fs::remove(folder_ / value_name, ignored);
    fs::remove(folder_ / about_name, ignored);
    fs::remove_all(folder_ / asset_folder, ignored);
    written_.clear();
}

static std::vector<Leftover> folders(const fs::path& root, bool thrown) {
    std::vector<Leftover> found;
    std::error_code fault;
    for (const auto& entry : fs::directory_iterator(root, fault)) {
        if (entry.path().filename().string().starts_with(thrown_away) != thrown) continue;
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

std::vector<Leftover> leftovers(const fs::path& root) { return folders(root, false); }
std::vector<Leftover> thrown_away_leftovers(const fs::path& root) { return folders(root, true); }

Project recover(const Leftover& l) {
    std::ifstream in(l.folder / value_name, std::ios::binary);
    if (!in) throw Error("cannot be read", (l.folder / value_name).string(), "Check that you may read it");
    ReadProject read = read_project(in, true);
    Project project = std::move(read.project);
    if (!read.aside.empty()) {
        auto& aside = project.aside.edit();
        aside.insert(aside.end(), read.aside.begin(), read.aside.end());
    }
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

static Leftover renamed(const Leftover& l, const std::string& name) {
    Leftover moved = l;
    moved.folder = l.folder.parent_path() / name;
    std::error_code fault;
    fs::rename(l.folder, moved.folder, fault);
    if (fault)
        throw Error("could not be moved: " + fault.message(), l.folder.string(),
                    "Check that you may write there");
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
