// SPDX-License-Identifier: GPL-3.0-or-later
// abuse_files COUNT SEED: project files broken in every way that a disk, a script or an enemy could, each
// read in a process of its own by the window's reader and by the command line. Nothing may crash, take over
// 10 s or 500 MB beyond the file's own need; a refusal names place and remedy; what opens is sound and can be
// saved and opened again.
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <cstdio>
#include <fstream>
#include <iostream>
#include <map>
#include <nlohmann/json.hpp>
#include <random>
#include <sstream>

#include "cli/commands.h"
#include "demo/demo.h"
#include "project/archive.h"
#include "project/edits.h"
#include "project/file/write_file.h"
#include "project/json_project.h"
#include "project/rules.h"
#include "project/safe_file.h"
#include "project/storage.h"
#include "project/validation.h"

using namespace yemvo;
using nlohmann::ordered_json;
namespace fs = std::filesystem;

namespace {

constexpr long most_kb = 500 * 1024;
constexpr unsigned most_s = 10;
enum Outcome { opened = 0, refused = 1, mended = 2, wrong = 3 };

/// A floor with one of each thing, without the library that it does not use.
Project small_project() {
    Project p = new_project("Small", {}, 2, 3);
    const FloorId f = all_floors(p)[0]->id;
    Wall w;
    w.type = find_type(p, "brick-half");
    w.points = {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}};
    w.bulges = {0.2, 0, 0, 0};
    const WallId id = add_wall(p, f, w);
    Opening o;
    o.type = find_type(p, "door-timber");
    add_opening(p, f, id, o);
    const ZoneId zone = add_zone(p, f, {{}, "Room", ZoneKind::served, {{1, 1}, {9, 1}, {9, 9}}});
    add_void(p, f, {{}, "Stair", {{12, 2}, {14, 2}, {14, 4}}});
    Obstacle box;
    box.type = find_type(p, "stack-books");
    box.outline = {{15, 5}, {16, 5}, {16, 9}, {15, 9}};
    add_obstacle(p, f, box);
    add_ceiling(p, f, {{}, "Lowered", {{1, 1}, {5, 1}, {5, 5}}, 2.5, first_type(p, TypeUse::ceiling)});
    add_ramp(p, f, {{}, "Ramp", first_type(p, TypeUse::slab), {{1, 10}, {2, 10}, {2, 12}, {1, 12}}, 0, 1});
    add_note(p, f, {{}, "Look here", {3, 3}, ""});
    add_access_point(p, f, (*p.models)[2].id, {5, 5});
    add_probe(p, f, {7, 7});
    Drawing d;
    d.name = d.source.asset = "plan.png";
    d.source.sheet = {{0, 0}, {400, 300}};
    add_drawing(p, f, d);
    p.assets["plan.png"] = Shared<Bytes>(Bytes(2000, std::byte{7}));
    RequirementSet set{{}, "Here", true, {zone}, {}, {{{}, "signal", band_5, -67, 0.9}}};
    add_requirement_set(p, set);
    align_floor(p, all_floors(p)[1]->id, {}, {f, {{{0, 0}, {0, 0}}}});
    std::vector<WallType> few(p.wall_types->begin(), p.wall_types->begin() + 2);
    for (const WallType& t : *p.wall_types)
        if (!uses_of_type(p, t.id).empty() && t.id != few[0].id && t.id != few[1].id) few.push_back(t);
    p.wall_types = few;
    return p;
}

using Parts = std::map<std::string, ordered_json>;

Parts parts_of(const Project& p) {
    Parts parts;
    for (const FilePart& part : file_parts(p)) parts[part.entry] = ordered_json::parse(part.text());
    return parts;
}

class Breaker {
public:
    explicit Breaker(unsigned seed) : random_(seed) {}

    /// A third of them in one text, as older files are, the others in parts.
    Bytes file(const std::vector<ordered_json>& whole, const std::vector<Parts>& in_parts) {
        Parts parts;
        if (pick(3) == 0)
            parts["project.json"] = whole[pick(whole.size())];
        else
            parts = in_parts[pick(in_parts.size())];
        for (std::size_t i = 0, n = 1 + pick(3); i < n; ++i) break_value(any(parts).second);
        if (parts.size() > 1 && pick(4) == 0) break_parts(parts);
        std::map<std::string, std::string> texts;
        for (const auto& [entry, json] : parts)
            texts[entry] = json.dump(-1, ' ', false, ordered_json::error_handler_t::replace);
        if (pick(4) == 0) break_text(any(texts).second);
        Bytes bytes = zipped(texts);
        if (pick(6) == 0) break_bytes(bytes);
        return bytes;
    }

private:
    std::size_t pick(std::size_t n) { return random_() % n; }

    template <class Map>
    typename Map::value_type& any(Map& map) {
        return *std::next(map.begin(), static_cast<std::ptrdiff_t>(pick(map.size())));
    }

    /// A part that is gone, in another's place, or of no kind.
    void break_parts(Parts& parts) {
        const std::string entry = any(parts).first;
        switch (pick(4)) {
            case 0:
                parts.erase(entry);
                break;
            case 1:
                parts[entry] = ordered_json(any(parts).second);
                break;
            case 2:
                parts["floors/" + std::to_string(pick(99)) + "/things.json"] = parts[entry];
                break;
            default:
                if (parts[entry].is_object()) parts[entry]["version"] = strange();
        }
    }

    void collect(ordered_json& at, std::vector<ordered_json*>& all) {
        all.push_back(&at);
        if (at.is_structured())
            for (ordered_json& inner : at) collect(inner, all);
    }

    ordered_json strange() {
        switch (pick(22)) {
            case 0:
                return nullptr;
            case 1:
                return true;
            case 2:
                return "";
            case 3:
                return "\xF0\x9F\x93\x96 \u56FE";
            case 4:
                return std::string(1 + pick(200'000), 'x');
            case 5:
                return -1;
            case 6:
                return 0;
            case 7:
                return 1e300;
            case 8:
                return -1e300;
            case 9:
                return 1e-300;
            case 10:
                return 4'000'000'000u;
            case 11:
                return std::numeric_limits<std::int64_t>::min();
            case 12:
                return ordered_json::array();
            case 13:
                return ordered_json::object();
            case 14:
                return 0.5;
            case 15:
                return ordered_json::array({1, 2, 3});
            case 16:
                return ordered_json{{"id", 1}};
            case 17:
                return static_cast<int>(pick(400));
            case 18:
                return "../../etc/passwd";
            case 19: {
                ordered_json deep = 1;
                for (std::size_t i = 0, n = 1 + pick(300); i < n; ++i)
                    deep = pick(2) ? ordered_json::array({deep}) : ordered_json{{"a", deep}};
                return deep;
            }
            case 20:
                return ordered_json(std::vector<int>(1 + pick(30'000), 3));
            default:
                return std::string("\0a\x01", 3);
        }
    }

    void break_value(ordered_json& json) {
        std::vector<ordered_json*> all;
        collect(json, all);
        ordered_json& at = *all[pick(all.size())];
        switch (pick(9)) {
            case 0:
            case 1:
            case 2:
                at = strange();
                break;
            case 3:
                if (at.is_object() && !at.empty())
                    at.erase(std::next(at.begin(), static_cast<std::ptrdiff_t>(pick(at.size()))).key());
                break;
            case 4:
                if (at.is_array() && !at.empty()) {
                    const ordered_json twice = at[pick(at.size())];
                    for (std::size_t i = 0, n = 1 + pick(pick(20) ? 3 : 3000); i < n; ++i)
                        at.push_back(twice);
                }
                break;
            case 5: {  // another part of the file in its place
                const ordered_json other = *all[pick(all.size())];
                at = other;
                break;
            }
            case 6:
                if (at.is_number()) at = at.get<double>() * (pick(2) ? -1000.0 : 1e9);
                break;
            case 7:
                if (at.is_object()) at["key" + std::to_string(pick(9))] = strange();
                break;
            default:
                if (at.is_number_integer())
                    at = static_cast<std::int64_t>(pick(60));  // a reference to something else
        }
    }

    void break_text(std::string& text) {
        if (text.empty()) return;
        const std::size_t at = pick(text.size());
        switch (pick(6)) {
            case 0:
                text.resize(at);
                break;
            case 1:
                text[at] = static_cast<char>(pick(256));
                break;
            case 2:
                text.insert(at, "NaN");
                break;
            case 3:
                text.insert(at, std::string(1 + pick(40'000), "[{,\""[pick(4)]));
                break;
            case 4:
                text.insert(at, text.substr(at, pick(3000)));
                break;
            default:
                text.erase(at, 1 + pick(50));
        }
    }

    Bytes zipped(const std::map<std::string, std::string>& texts) {
        std::map<std::string, Bytes> parts;
        std::map<std::string, const Bytes*> entries;
        for (const auto& [entry, text] : texts) {
            const auto* begin = reinterpret_cast<const std::byte*>(text.data());
            entries[entry] = &(parts[entry] = Bytes(begin, begin + text.size()));
        }
        const Bytes more(pick(3000), std::byte{9});
        switch (pick(8)) {
            case 0:
                break;
            case 1:
                entries["assets/"] = &more;
                break;
            case 2:
                entries["assets/../../x"] = &more;
                break;
            case 3:
                entries["assets/" + std::string(3000, 'n')] = &more;
                break;
            case 4:
                if (const auto outline = entries.extract("project.json"))
                    entries["Project.json"] = outline.mapped();
                break;
            default:
                entries["assets/plan.png"] = &more;
        }
        return archive_bytes(entries);
    }

    void break_bytes(Bytes& bytes) {
        if (bytes.empty()) return;
        // half of them in the directory at the end, where the structure lies
        const std::size_t from = pick(2) && bytes.size() > 300 ? bytes.size() - 300 : 0;
        switch (pick(3)) {
            case 0:
                bytes.resize(pick(bytes.size()));
                break;
            case 1:
                for (std::size_t i = 0, n = 1 + pick(6); i < n; ++i)
                    bytes[from + pick(bytes.size() - from)] ^= static_cast<std::byte>(1 << pick(8));
                break;
            default: {
                const std::size_t at = from + pick(bytes.size() - from);
                for (std::size_t i = 0; i < 4 && at + i < bytes.size(); ++i) bytes[at + i] = std::byte{0xFF};
            }
        }
    }

    std::mt19937 random_;
};

bool complain(const std::string& what) {
    std::cerr << what << "\n";
    return false;
}

/// What opened is sound, and what is saved of it is the same again.
bool is_sound(const Loaded& loaded, const fs::path& file) {
    try {
        check_references(loaded.project);
        check_all(loaded.project);
        const fs::path again = file.string() + ".again";
        save_project(loaded.project, again);
        Project expected = loaded.project;
        drop_unused_assets(expected);
        const bool same = load_project(again).project == expected;
        fs::remove(again);
        return same || complain("it reads back as something else");
    } catch (const std::exception& fault) {
        return complain(std::string("it opened, but: ") + fault.what());
    }
}

/// In the child: the window's reader, then the command line.
Outcome read(const fs::path& file) {
    Outcome outcome = opened;
    try {
        const Loaded loaded = load_project(file);
        if (!loaded.project.aside->empty()) outcome = mended;
        if (!is_sound(loaded, file)) return wrong;
    } catch (const Error& fault) {
        outcome = refused;
        if (fault.where().english().find(file.filename().string()) == std::string::npos ||
            fault.remedy().empty() || fault.summary().english().size() < 5) {
            complain(std::string("a refusal without place or remedy: ") + fault.what());
            return wrong;
        }
    } catch (const std::exception& fault) {
        complain(std::string("not told as an error of ours: ") + fault.what());
        return wrong;
    }
    const std::string name = file.string();
    const std::vector<const char*> argv{"yemvo-cli", "info", name.c_str()};
    std::ostringstream out, err;
    const int code = cli::run(3, argv.data(), out, err);
    if (code != (outcome == refused ? cli::wrong_use : cli::done)) {
        complain("info ended with " + std::to_string(code) + ": " + err.str());
        return wrong;
    }
    return outcome;
}

struct Measured {
    int status;
    long used_kb;
    double seconds;
};

Measured read_apart(const fs::path& file) {
    const pid_t child = fork();
    if (child == 0) {
        alarm(most_s);
        _exit(read(file));
    }
    int status = 0;
    rusage used{};
    wait4(child, &status, 0, &used);
    rusage own{};
    getrusage(RUSAGE_SELF, &own);
    return {status, used.ru_maxrss - own.ru_maxrss,
            static_cast<double>(used.ru_utime.tv_sec + used.ru_stime.tv_sec) +
                1e-6 * static_cast<double>(used.ru_utime.tv_usec + used.ru_stime.tv_usec)};
}

}  // namespace

int main(int argc, char** argv) {
    const int count = argc > 1 ? std::atoi(argv[1]) : 400;
    const unsigned seed = argc > 2 ? static_cast<unsigned>(std::atoi(argv[2])) : 1;
    std::string pattern = (fs::temp_directory_path() / "yemvo-abuse-XXXXXX").string();
    if (!mkdtemp(pattern.data())) return 2;
    const fs::path folder = pattern;
    std::vector<ordered_json> whole(3, ordered_json::parse(project_to_json(small_project())));
    whole.push_back(ordered_json::parse(project_to_json(demo::make_demo())));
    std::vector<Parts> in_parts(3, parts_of(small_project()));
    in_parts.push_back(parts_of(demo::make_demo()));
    std::map<int, int> outcomes;
    long most_used_kb = 0;
    double longest_s = 0;
    int faults = 0;
    Breaker breaker(seed);
    for (int i = 0; i < count; ++i) {
        const Bytes bytes = breaker.file(whole, in_parts);
        const fs::path file = folder / ("broken " + std::to_string(i) + ".yemvo");
        std::ofstream(file, std::ios::binary)
            .write(reinterpret_cast<const char*>(bytes.data()), static_cast<std::streamsize>(bytes.size()));
        const Measured m = read_apart(file);
        const int outcome = WIFEXITED(m.status) ? WEXITSTATUS(m.status) : wrong;
        const bool crashed = !WIFEXITED(m.status) || outcome >= wrong;
        const bool large = m.used_kb > most_kb + static_cast<long>(20 * bytes.size() / 1024);
        most_used_kb = std::max(most_used_kb, m.used_kb);
        longest_s = std::max(longest_s, m.seconds);
        ++outcomes[outcome];
        if (!crashed && !large) {
            fs::remove(file);
            continue;
        }
        ++faults;
        std::cerr << file << ": "
                  << (WIFSIGNALED(m.status) ? "ended by signal " + std::to_string(WTERMSIG(m.status))
                      : large               ? "took " + std::to_string(m.used_kb / 1024) + " MB"
                                            : "wrong")
                  << "\n";
    }
    std::cout << count << " broken files: " << outcomes[opened] << " opened whole, " << outcomes[mended]
              << " with parts set aside, " << outcomes[refused] << " refused; at most " << most_used_kb / 1024
              << " MB more and " << longest_s << " s; " << faults << " faults\n";
    if (faults == 0) fs::remove_all(folder);
    return faults == 0 ? 0 : 1;
}
