#include "project/storage.h"

#include "project/archive.h"
#include "project/edits.h"
#include "project/json_project.h"

namespace yemvo {

static constexpr const char* project_entry = "project.json";
static constexpr std::string_view asset_folder = "assets/";

Loaded load_project(const std::filesystem::path& path) {
    Archive archive = read_archive(path);
    const auto json = archive.entries.find(project_entry);
    if (json == archive.entries.end()) {
        for (const std::string& damage : archive.damaged)
            if (damage.starts_with(project_entry))
                throw Error("the project inside is damaged", path.string(),
                            "Try the kept previous version, " + path.string() + "~");
        throw Error("is not a Yemvo project: there is no project.json inside", path.string(),
                    "Choose a file that Yemvo saved (.yemvo)");
    }
    Loaded loaded;
    const char* text = reinterpret_cast<const char*>(json->second.data());
    try {
        loaded.project = project_from_json({text, json->second.size()});
    } catch (const Error& fault) {
        throw Error(fault.summary(), path.string() + ": " + fault.where(), fault.remedy());
    }
    for (auto& [name, bytes] : archive.entries)
        if (name.starts_with(asset_folder))
            loaded.project.assets[name.substr(asset_folder.size())] = Shared<Bytes>(std::move(bytes));
    for (const Floor* floor : all_floors(loaded.project))
        for (const Drawing& d : *floor->drawings)
            if (!loaded.project.assets.contains(d.source.asset))
                loaded.warnings.push_back("The drawing '" + d.source.asset + "' of " + floor->name +
                                          " is missing or damaged; choose it again on that floor");
    return loaded;
}

void save_project(const Project& to_save, const std::filesystem::path& path) {
    Project project = to_save;
    drop_unused_assets(project);
    const std::string text = project_to_json(project);
    const auto* begin = reinterpret_cast<const std::byte*>(text.data());
    const Bytes json(begin, begin + text.size());
    std::map<std::string, const Bytes*> entries{{project_entry, &json}};
    for (const auto& [name, bytes] : project.assets) entries[std::string(asset_folder) + name] = &*bytes;
    write_archive(path, entries);
}

}  // namespace yemvo
