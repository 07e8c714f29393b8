// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/safe_file.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <chrono>
#include <system_error>

#include "base/error.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;

struct Closing {
    int fd;
    ~Closing() {
        if (fd >= 0) ::close(fd);
    }
};

[[noreturn]] void cannot_write(const fs::path& path, const Said& why, const Said& remedy = {}) {
    throw Error(say("could not be written: %1", why), path.string(),
                remedy.empty() ? say("Choose another place, or free some space") : remedy);
}

[[noreturn]] void system_fault(const char* what) {
    throw std::system_error(errno, std::generic_category(), what);
}

void flush_folder(const fs::path& folder) {
    const Closing dir{::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC)};
    if (dir.fd >= 0) ::fsync(dir.fd);  // a file system that cannot is no reason to fail a save
}

/// As the file that is replaced, as far as this user may.
void take_over_rights(const fs::path& from, const fs::path& to) {
    struct stat was;
    if (::stat(from.c_str(), &was) != 0) return;
    // the owner first: changing it takes set-user bits away
    if (::chown(to.c_str(), was.st_uid, was.st_gid) != 0)
        if (::chown(to.c_str(), static_cast<uid_t>(-1), was.st_gid) != 0) errno = 0;
    ::chmod(to.c_str(), was.st_mode & 07777);
}

constexpr const char* while_written = ".writing";

std::string start_of_names_beside(const fs::path& target) {
    std::string start(1, '.');
    start += target.filename().string().substr(0, 100);
    start += '.';
    return start;
}

/// What a crash left of writing the same target long ago.
void clear_old(const fs::path& target) {
    const std::string start = start_of_names_beside(target);
    std::error_code fault;
    const fs::path folder = target.has_parent_path() ? target.parent_path() : fs::path(".");
    for (const auto& entry : fs::directory_iterator(folder, fault)) {
        const std::string name = entry.path().filename().string();
        if (!name.starts_with(start) || !name.ends_with(while_written)) continue;
        const auto age = fs::file_time_type::clock::now() - entry.last_write_time(fault);
        if (!fault && age > std::chrono::hours(1)) fs::remove(entry.path(), fault);
    }
}

/// A name in the target's folder that nobody has.
fs::path name_beside(const fs::path& target) {
    static std::atomic<unsigned> count{0};
    return target.parent_path() / (start_of_names_beside(target) + std::to_string(::getpid()) + "-" +
                                   std::to_string(++count) + while_written);
}

}  // namespace

FileMark mark_of(const fs::path& path) {
    struct stat s;
    if (::stat(path.c_str(), &s) != 0) return {};
    return {static_cast<std::uint64_t>(s.st_size),
            static_cast<std::int64_t>(s.st_mtim.tv_sec) * 1'000'000'000 + s.st_mtim.tv_nsec,
            static_cast<std::uint64_t>(s.st_ino), true};
}

fs::path real_target(const fs::path& path) {
    fs::path at = path;
    std::error_code fault;
    for (int links = 0; fs::is_symlink(fs::symlink_status(at, fault)); ++links) {
        if (links > 40) cannot_write(path, say("the link leads in a circle"), say("Choose another place"));
        const fs::path next = fs::read_symlink(at, fault);
        if (fault) cannot_write(path, fault.message());
        at = next.is_absolute() ? next : at.parent_path() / next;
    }
    const fs::file_status status = fs::status(at, fault);
    if (fs::is_directory(status)) cannot_write(path, say("it is a folder"), say("Add a file name"));
    if (fs::exists(status) && !fs::is_regular_file(status))
        cannot_write(path, say("it is no file but a device or pipe"), say("Choose a file name"));
    return at;
}

void look_at_target(const fs::path& path) {
    const fs::path folder = fs::absolute(real_target(path)).parent_path();
    if (!fs::is_directory(folder))
        cannot_write(path, say("there is no folder %1", folder.string()), say("Choose another place"));
    if (::access(folder.c_str(), W_OK | X_OK) != 0)
        cannot_write(path, say("the folder may not be written into"), say("Choose another place"));
}

void write_flushed(const fs::path& path, const void* data, std::size_t size, unsigned mode) {
    const Closing file{::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, mode)};
    if (file.fd < 0) system_fault("open");
    const char* at = static_cast<const char*>(data);
    while (size > 0) {
        const ssize_t n = ::write(file.fd, at, size);
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) system_fault("write");
        at += n;
        size -= static_cast<std::size_t>(n);
    }
    if (::fsync(file.fd) != 0) system_fault("fsync");
}

void keep_beside(const fs::path& file) {
    const fs::path kept = file.string() + "~";
    std::error_code fault;
    if (fs::is_directory(kept, fault)) return;  // somebody's folder of that name stays theirs
    fs::remove(kept, fault);
    fs::create_hard_link(file, kept, fault);
    if (fault) fs::copy_file(file, kept, fs::copy_options::overwrite_existing, fault);
    if (fault) cannot_write(kept, fault.message());
}

void replace_file(const fs::path& target, const void* data, std::size_t size, const LookAtWritten& look,
                  const KeepOld& keep) {
    const fs::path to = real_target(target);
    clear_old(to);
    const fs::path beside = name_beside(to);
    std::error_code fault;
    try {
        write_flushed(beside, data, size, 0666);
        if (look) look(beside);
        if (fs::exists(to, fault)) {
            take_over_rights(to, beside);
            if (keep) keep(to);
        }
        fs::rename(beside, to, fault);
        if (fault) cannot_write(target, fault.message());
    } catch (const std::system_error& refused) {
        fs::remove(beside, fault);
        cannot_write(target, refused.code().message());
    } catch (...) {
        fs::remove(beside, fault);
        throw;
    }
    flush_folder(to.parent_path());
}

}  // namespace yemvo
