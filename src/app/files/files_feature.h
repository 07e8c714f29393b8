// SPDX-License-Identifier: GPL-3.0-or-later
// Projects as files: new, opened, saved, kept in earlier versions, guarded against others and against
// crashes.
#pragma once
#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "app/offer/feature.h"
#include "project/journal.h"
#include "project/safe_file.h"

namespace yemvo {
struct KeptVersion;
struct Loaded;
}  // namespace yemvo

namespace yemvo::app {

class Autosave;
class FileGuard;
class ProjectFiles;
class StartPage;
class VersionsPage;

class FilesFeature : public Feature {
    Q_OBJECT
public:
    explicit FilesFeature(Shell&);
    ~FilesFeature() override;

    /// Reads the file behind the window.
    void open_file(const QString& file);
    void open_project(const Project&, const QString& file, const FileMark& = {});
    /// The made-up library, as a project never saved.
    void open_demo();
    /// Written behind the window.
    void save();
    void save_as();
    /// Goes on once what is not saved may be left: at once, when it is saved, or never.
    void leave_then(const std::function<void()>& go);
    /// A file is being read or written.
    bool is_working() const;
    StartPage& start() { return *start_; }
    VersionsPage& versions() { return *versions_; }
    FileGuard& guard() { return *guard_; }

private:
    void make_commands();
    void connect_start();
    void show_start();
    void opened();
    void open_asked();
    void remember(const QString& file);
    void fill_recent(QMenu*);
    QString ask_where_to_save();
    void save_then(const QString& file, const std::function<void()>& go);
    void read_project(const QString& what, std::function<Loaded()> how,
                      std::function<void(const Loaded&)> done, const QString& failure);
    void recover_work(int index);
    void find_leftovers();

    // files_care.cpp: other people's files, earlier versions, the journal
    void watch();
    void compare_with_disk(const std::function<void()>& after = {});
    void decide_about_disk(const QString& file, const Loaded& theirs, const std::function<void()>& after);
    void tell_warnings(const std::vector<Said>&);
    void tell_of_newer_work(const QString& file);
    void throw_away_work(int index);
    void show_versions();
    void bring_back(const KeptVersion&, bool as_the_file);

    Document& document_;
    StartPage* start_;
    VersionsPage* versions_;
    std::unique_ptr<Autosave> autosave_;
    std::unique_ptr<ProjectFiles> files_;
    std::unique_ptr<FileGuard> guard_;
    std::vector<Leftover> leftovers_;
};

}  // namespace yemvo::app
