// The window: puts the parts together and turns wishes into edits and files.
#pragma once
#include <QMainWindow>
#include <vector>

#include "app/asking/asking.h"
#include "app/drawings/prepare_page.h"
#include "app/model/document.h"
#include "app/model/workspace.h"
#include "app/prediction/prediction_runner.h"
#include "project/journal.h"
#include "project/safe_file.h"
#include "render/map_choice.h"

class QGridLayout;
class QStackedWidget;
class QMenu;
class QTabBar;
class QTimer;

namespace yemvo {
struct Loaded;
struct KeptVersion;
}  // namespace yemvo

namespace yemvo::app {

class HeaderBar;
class LensBar;
class PlanView;
class SiteView;
class SectionView;
class DetailsPanel;
class CostsPage;
class LinkProfilePage;
class ProofPage;
class Autosave;
class ProjectFiles;
class FileGuard;
class NoticeBar;
class VersionsPage;
class StatusLine;
class StartPage;
class RadioSchedule;
class FindingsRunner;
class FindingsPage;
class TypesPage;
struct Command;

class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    explicit MainWindow(QWidget* parent = nullptr);
    ~MainWindow() override;

    Workspace& workspace() { return workspace_; }
    PredictionRunner& runner() { return *runner_; }
    PlanView& plan() { return *plan_; }
    SectionView& section() { return *section_; }
    RadioSchedule& schedule() { return *schedule_; }
    StatusLine& status() { return *status_; }
    Asking& asking() { return asking_; }

    /// Reads the file behind the window.
    void open_file(const QString& file);
    void open_project(const Project&, const QString& file, const FileMark& = {});
    /// The made-up library, as a project never saved.
    void open_demo();
    /// Written behind the window.
    void save();
    void save_as();
    /// Painted and written behind the window.
    void export_picture(const QString& file);
    /// Reads the file behind the window and shows it on the preparation page.
    void import_drawing(const QString& file, PrepareTask::Kind = PrepareTask::Kind::lay, DrawingId = {});
    /// A picture or file from the clipboard.
    void paste();
    /// A laid drawing on the preparation page.
    void prepare_again(DrawingId);
    PreparePage& prepare() { return *prepare_; }
    SiteView& site() { return *site_; }
    FindingsPage& findings() { return *findings_; }
    TypesPage& types() { return *types_; }
    NoticeBar& notices() { return *notices_; }
    VersionsPage& versions() { return *versions_; }
    FileGuard& guard() { return *guard_; }
    ProofPage& proof() { return *proof_; }
    CostsPage& costs() { return *costs_; }
    /// The page of types is in front.
    bool is_showing_types() const;
    /// The preparation page is in front.
    bool is_preparing() const;
    /// A file is being read or written.
    bool is_working() const;
    /// Something went wrong that nothing else deals with: what was asked for was not done.
    void tell_fault(const QString& why);
    /// Findings are being looked for.
    bool is_checking() const;

protected:
    void closeEvent(QCloseEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;

private:
    void fit_screen();
    void lay_out();
    void make_menus();
    void make_tool_actions(QMenu*);
    void make_variant_actions(QMenu*);
    void fill_variants(QMenu*);
    void show_change(render::Against, VariantId other = {});
    void connect_parts();
    QAction* action(QMenu*, const QString& text, const QKeySequence&, std::function<void()>);
    ExtraWish wish() const;
    void predict();
    void refresh_title();
    void refresh_status();
    void refresh_hint();
    void refresh_tray();
    void remember(const QString& file);
    void fill_recent();
    /// Goes on once what is not saved may be left: at once, when it is saved, or never.
    void leave_then(const std::function<void()>& go);
    void save_then(const QString& file, const std::function<void()>& go);
    QString ask_where_to_save();
    void read_project(const QString& what, std::function<Loaded()> how,
                      std::function<void(const Loaded&)> done, const QString& failure);
    /// main_window_guard.cpp: other people's files, earlier versions, the journal.
    void watch_files();
    void compare_with_disk(const std::function<void()>& after = {});
    void decide_about_disk(const QString& file, const Loaded& theirs, const std::function<void()>& after);
    void show_versions();
    void bring_back(const KeptVersion&, bool as_the_file);
    void throw_away_work(int index);
    void tell_of_newer_work(const QString& file);
    void tell_warnings(const std::vector<std::string>&);
    void refresh_work();
    void tell_work();
    void show_start_page();
    void choose_drawing();
    void choose_revision(DrawingId);
    void import_bytes(const std::string& name, Shared<Bytes>, const PrepareTask&);
    void opened(const PrepareTask&, OpenedFile);
    void lay(const Prepared&);
    void leave_preparation();
    void next_dropped();
    void duplicate(FloorId);
    void show_plan_or_site();
    void add_floor_on_top();
    void make_display_actions(QMenu*);
    void make_map_actions(QMenu*);
    void make_memory_actions(QMenu*);
    /// The next floor of the building, above or below.
    void show_floor_beside(int by);
    void open_palette();
    void add_places(std::vector<Command>&);
    void show_findings();
    void show_tray(QWidget* page);
    /// The page of types, with one of them chosen.
    void show_types(WallTypeId);
    void leave_types();
    void choose_photo(NoteId);
    void open_context_menu(const QPoint& global, QPointF on_plan);

    Document document_;
    Workspace workspace_;
    Asking asking_;
    PredictionRunner* runner_;
    HeaderBar* header_;
    QStackedWidget* pages_;
    StartPage* start_;
    PreparePage* prepare_;
    void arrange_for_step();
    QGridLayout* upper_ = nullptr;
    ProofPage* proof_ = nullptr;
    QWidget *proof_edge_ = nullptr, *details_edge_ = nullptr;
    QWidget* middle_ = nullptr;  ///< lens bar and plan
    LensBar* lens_bar_;
    QStackedWidget* views_;  ///< plan or site
    PlanView* plan_;
    SiteView* site_;
    SectionView* section_;
    DetailsPanel* details_;
    RadioSchedule* schedule_;
    FindingsRunner* findings_runner_;
    Autosave* autosave_;
    ProjectFiles* files_;
    FileGuard* guard_;
    NoticeBar* notices_ = nullptr;
    VersionsPage* versions_ = nullptr;
    FindingsPage* findings_;
    TypesPage* types_;
    QStackedWidget* tray_;
    LinkProfilePage* link_profile_;
    CostsPage* costs_ = nullptr;
    QTabBar* tray_tabs_;
    StatusLine* status_;
    QMenu* recent_menu_ = nullptr;
    std::vector<QAction*> project_actions_;  ///< only while a project is open
    bool tray_open_ = false;
    int working_ = 0;
    QTimer* say_work_;
    QString doing_;
    ExtraWish wanted_;
    void show_work();
    void recover_work(int index);
    std::vector<Leftover> leftovers_;
    bool may_close_ = false;
    bool prediction_stopped_ = false;  ///< by hand: what is shown may be old
    QStringList dropped_;              ///< drawings that wait for their turn
};

}  // namespace yemvo::app
