#include "project/archive.h"

#include <fcntl.h>
#include <unistd.h>
#include <zip.h>

#include <array>
#include <cerrno>
#include <cstring>
#include <fstream>
#include <memory>

namespace yemvo {
namespace {

namespace fs = std::filesystem;
constexpr zip_uint64_t most_entries = 10'000;
constexpr zip_uint64_t most_bytes = 1ull << 30;  // of all entries together, unpacked

struct ZipClose {
    void operator()(zip_t* z) const { zip_discard(z); }
};
struct FileClose {
    void operator()(zip_file_t* f) const { zip_fclose(f); }
};
using Zip = std::unique_ptr<zip_t, ZipClose>;
using ZipFile = std::unique_ptr<zip_file_t, FileClose>;

bool starts_like_zip(const fs::path& path) {
    std::array<char, 4> head{};
    std::ifstream(path, std::ios::binary).read(head.data(), head.size());
    return std::memcmp(head.data(), "PK\3\4", 4) == 0;
}

[[noreturn]] void cannot_open(const fs::path& path, int code) {
    const std::string name = path.string();
    std::error_code ignored;
    if (!fs::exists(path, ignored)) throw Error("there is no such file", name, "Check the name");
    if (fs::is_directory(path, ignored)) throw Error("is a folder", name, "Name a project file");
    if (fs::file_size(path, ignored) == 0)
        throw Error("the file is empty", name, "Try the kept previous version, " + name + "~");
    if (starts_like_zip(path))
        throw Error("the file is damaged or cut short", name, "Try the kept previous version, " + name + "~");
    if (code == ZIP_ER_OPEN || code == ZIP_ER_READ)
        throw Error(std::strerror(errno), name, "Check that you may read it");
    throw Error("is not a Yemvo project", name, "Choose a file that Yemvo saved (.yemvo)");
}

Bytes read_entry(zip_t* zip, zip_uint64_t index, zip_uint64_t size) {
    ZipFile file(zip_fopen_index(zip, index, 0));
    if (!file) throw Error(zip_strerror(zip));
    Bytes bytes(size);
    zip_uint64_t done = 0;
    while (done < size) {
        const zip_int64_t got = zip_fread(file.get(), bytes.data() + done, size - done);
        if (got <= 0) throw Error("its bytes are damaged");
        done += static_cast<zip_uint64_t>(got);
    }
    std::byte beyond;
    if (zip_fread(file.get(), &beyond, 1) != 0)
        throw Error("its bytes are damaged");  // the checksum is tested here
    return bytes;
}

struct Closing {
    int fd;
    ~Closing() {
        if (fd >= 0) ::close(fd);
    }
};

[[noreturn]] void cannot_write(const fs::path& path, const std::string& why) {
    throw Error("could not be written: " + why, path.string(), "Choose another place, or free some space");
}

void write_flushed(const fs::path& path, const void* data, std::size_t size) {
    Closing file{::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644)};
    if (file.fd < 0) cannot_write(path, std::strerror(errno));
    const char* at = static_cast<const char*>(data);
    while (size > 0) {
        const ssize_t n = ::write(file.fd, at, size);
        if (n < 0 && errno == EINTR) continue;
        if (n <= 0) cannot_write(path, std::strerror(errno));
        at += n;
        size -= static_cast<std::size_t>(n);
    }
    if (::fsync(file.fd) != 0) cannot_write(path, std::strerror(errno));
}

void flush_folder(const fs::path& folder) {
    Closing dir{::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC)};
    if (dir.fd >= 0) ::fsync(dir.fd);  // a file system that cannot is no reason to fail a save
}

/// The zip in memory; libzip frees the source with the archive unless it is kept.
Bytes zipped(const fs::path& path, const std::map<std::string, const Bytes*>& entries) {
    zip_error_t error;
    zip_error_init(&error);
    zip_source_t* buffer = zip_source_buffer_create(nullptr, 0, 0, &error);
    if (!buffer) cannot_write(path, "no memory");
    zip_source_keep(buffer);
    zip_t* zip = zip_open_from_source(buffer, ZIP_TRUNCATE, &error);
    if (!zip) cannot_write(path, zip_error_strerror(&error));
    for (const auto& [name, bytes] : entries) {
        zip_source_t* source = zip_source_buffer(zip, bytes->data(), bytes->size(), 0);
        const zip_int64_t index = zip_file_add(zip, name.c_str(), source, ZIP_FL_ENC_UTF_8);
        if (index < 0) cannot_write(path, zip_strerror(zip));
        // a fixed time (1 January 2020), so that the same project gives the same bytes
        zip_file_set_dostime(zip, static_cast<zip_uint64_t>(index), 0, (40 << 9) | (1 << 5) | 1, 0);
    }
    if (zip_close(zip) != 0) cannot_write(path, zip_strerror(zip));
    zip_source_open(buffer);
    zip_source_seek(buffer, 0, SEEK_END);
    Bytes out(static_cast<std::size_t>(zip_source_tell(buffer)));
    zip_source_seek(buffer, 0, SEEK_SET);
    zip_source_read(buffer, out.data(), out.size());
    zip_source_close(buffer);
    zip_source_free(buffer);
    return out;
}

}  // namespace

Archive read_archive(const fs::path& path) {
    int code = 0;
    Zip zip(zip_open(path.c_str(), ZIP_RDONLY, &code));
    if (!zip) cannot_open(path, code);
    const zip_int64_t count = zip_get_num_entries(zip.get(), 0);
    if (count < 0 || static_cast<zip_uint64_t>(count) > most_entries)
        throw Error("holds too many entries", path.string(), "This is no project of Yemvo");
    Archive archive;
    zip_uint64_t total = 0;
    for (zip_uint64_t i = 0; i < static_cast<zip_uint64_t>(count); ++i) {
        zip_stat_t stat;
        if (zip_stat_index(zip.get(), i, 0, &stat) != 0 || !(stat.valid & ZIP_STAT_NAME)) continue;
        const std::string name = stat.name;
        if (name.ends_with('/')) continue;
        if (!(stat.valid & ZIP_STAT_SIZE) || stat.size > most_bytes || (total += stat.size) > most_bytes)
            throw Error("holds more than 1 GiB", path.string() + ": " + name, "This is no project of Yemvo");
        try {
            archive.entries[name] = read_entry(zip.get(), i, stat.size);
        } catch (const Error& fault) {
            archive.damaged.push_back(name + ": " + fault.what());
        }
    }
    return archive;
}

void write_archive(const fs::path& path, const std::map<std::string, const Bytes*>& entries) {
    const Bytes bytes = zipped(path, entries);
    const fs::path beside = path.string() + ".writing", kept = path.string() + "~";
    std::error_code fault;
    try {
        write_flushed(beside, bytes.data(), bytes.size());
        if (fs::exists(path, fault)) {
            // a second name for the old bytes, so that the target never stops existing
            fs::remove(kept, fault);
            fs::create_hard_link(path, kept, fault);
            if (fault) fs::copy_file(path, kept, fs::copy_options::overwrite_existing, fault);
            if (fault) cannot_write(kept, fault.message());
        }
        fs::rename(beside, path, fault);
        if (fault) cannot_write(path, fault.message());
    } catch (...) {
        fs::remove(beside, fault);
        throw;
    }
    flush_folder(path.parent_path());
}

}  // namespace yemvo
