// The window's menus: every action with its place and its key.
#include <QActionGroup>
#include <QMenuBar>
#include <QMessageBox>
#include <QSettings>

#include "app/palette/command_palette.h"
#include "app/palette/keys_page.h"

#include "app/arrange/arranging.h"
#include "app/asking/file_names.h"
#include "app/costs/costs_page.h"
#include "app/kinds/kind_face.h"
#include "app/look/theme.h"
#include "app/map/lens_bar.h"
#include "app/map/map_menu.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/tool_id.h"
#include "app/plan/plan_view.h"
#include "app/plan/tools.h"
#include "app/shell/header_bar.h"
#include "app/shell/main_window.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/kinds/all.h"
#include "project/project.h"
#include "render/map_choice.h"
#include "render/text_style.h"
#include "venue/floor.h"

namespace yemvo::app {

static QString lower_first(QString text) {
    if (!text.isEmpty()) text[0] = text[0].toLower();
    return text;
}

QAction* MainWindow::action(QMenu* menu, const QString& text, const QKeySequence& key,
                            std::function<void()> run) {
    QAction* a = menu->addAction(text);
    if (!key.isEmpty()) {
        a->setShortcut(key);
        a->setShortcutContext(Qt::WindowShortcut);
    }
    a->setObjectName(QString(text).remove(' ').remove(QStringLiteral("…")));
    connect(a, &QAction::triggered, this, std::move(run));
    return a;
}

void MainWindow::make_menus() {
    QMenuBar* bar = header_->menus();
    const auto needs_project = [this](QAction* a) { project_actions_.push_back(a); };

    QMenu* file = bar->addMenu("&File");
    action(file, "New project…", QKeySequence::New, [this] { show_start_page(); });
    action(file, "Open…", QKeySequence::Open, [this] {
        const QString name = asking_.open_file("Open a project", project_filter);
        if (!name.isEmpty()) leave_then([this, name] { open_file(name); });
    });
    recent_menu_ = file->addMenu("Open recent");
    connect(recent_menu_, &QMenu::aboutToShow, this, &MainWindow::fill_recent);
    file->addSeparator();
    needs_project(action(file, "Save", QKeySequence::Save, [this] { save(); }));
    needs_project(action(file, "Save as…", QKeySequence("Ctrl+Shift+S"), [this] { save_as(); }));
    action(file, "Earlier versions…", QKeySequence("Ctrl+Alt+O"), [this] { show_versions(); });
    needs_project(action(file, "Compare with disk…", {}, [this] { compare_with_disk(); }));
    file->addSeparator();
    needs_project(action(file, "Export plan picture…", QKeySequence("Ctrl+E"), [this] {
        const Floor* f = workspace_.floor();
        const QString proposed =
            file_name_for(QString::fromStdString(document_.project().name + ", " + f->name), ".png");
        const QString name = ask_where_to_write(asking_, "Export the plan as a picture", proposed,
                                                "PNG pictures (*.png)", ".png");
        if (!name.isEmpty()) export_picture(name);
    }));
    file->addSeparator();
    action(file, "Quit", QKeySequence::Quit, [this] { close(); });

    QMenu* edit = bar->addMenu("&Edit");
    QAction* undo = action(edit, "Undo", QKeySequence::Undo, [this] { document_.history().undo(); });
    QAction* redo = action(edit, "Redo", QKeySequence::Redo, [this] { document_.history().redo(); });
    const auto name_history = [this, undo, redo] {
        const auto& h = document_.history();
        undo->setEnabled(h.canUndo());
        undo->setText(h.canUndo() ? "Undo " + lower_first(h.undoText()) : "Undo");
        redo->setEnabled(h.canRedo());
        redo->setText(h.canRedo() ? "Redo " + lower_first(h.redoText()) : "Redo");
    };
    connect(&document_.history(), &QUndoStack::indexChanged, this, name_history);
    connect(&document_, &Document::opened, this, name_history);
    name_history();
    edit->addSeparator();
    needs_project(action(edit, "Cut", QKeySequence::Cut, [this] {
        if (copy_selection(workspace_)) workspace_.selection().remove();
    }));
    needs_project(action(edit, "Copy", QKeySequence::Copy, [this] { copy_selection(workspace_); }));
    needs_project(action(edit, "Paste", QKeySequence::Paste, [this] { paste(); }));
    needs_project(
        action(edit, "Duplicate", QKeySequence("Ctrl+Alt+D"), [this] { duplicate_selection(workspace_); }));
    needs_project(action(edit, "Delete", {}, [this] { workspace_.selection().remove(); }));
    edit->addSeparator();
    needs_project(
        action(edit, "Turn left 90°", QKeySequence("Ctrl+L"), [this] { turn_selection(workspace_, 90); }));
    needs_project(
        action(edit, "Turn right 90°", QKeySequence("Ctrl+R"), [this] { turn_selection(workspace_, -90); }));
    needs_project(action(edit, "Mirror left–right", {}, [this] { mirror_selection(workspace_, true); }));
    needs_project(action(edit, "Mirror up–down", {}, [this] { mirror_selection(workspace_, false); }));
    needs_project(action(edit, "Join walls", QKeySequence("J"), [this] { join_selection(workspace_); }));
    needs_project(action(edit, "Extend or trim wall to meet", QKeySequence("M"),
                         [this] { meet_selection(workspace_); }));
    needs_project(action(edit, "Group", QKeySequence("Ctrl+G"), [this] { group_selection(workspace_); }));
    needs_project(
        action(edit, "Ungroup", QKeySequence("Ctrl+Shift+G"), [this] { ungroup_selection(workspace_); }));
    edit->addSeparator();
    needs_project(action(edit, "Select all of this type on this floor", QKeySequence("Ctrl+U"),
                         [this] { select_alike(workspace_, false); }));
    needs_project(action(edit, "Select all of this type everywhere", QKeySequence("Ctrl+Shift+U"),
                         [this] { select_alike(workspace_, true); }));
    needs_project(action(edit, "Select all access points", QKeySequence("Ctrl+A"), [this] {
        std::vector<Item> all;
        for (const AccessPoint& ap : access_points(workspace_.project(), workspace_.floor_id()))
            all.push_back({Item::Kind::access_point, ap.id.value});
        workspace_.selection().select(all);
    }));

    QMenu* view = bar->addMenu("&View");
    needs_project(action(view, "Fit floor", QKeySequence("Ctrl+0"), [this] { plan_->fit(); }));
    needs_project(action(view, "Zoom in", QKeySequence("Ctrl++"), [this] { plan_->zoom(1.25); }));
    needs_project(action(view, "Zoom out", QKeySequence("Ctrl+-"), [this] { plan_->zoom(0.8); }));
    needs_project(action(view, "Floor above", QKeySequence("Ctrl+PgUp"), [this] { show_floor_beside(1); }));
    needs_project(
        action(view, "Floor below", QKeySequence("Ctrl+PgDown"), [this] { show_floor_beside(-1); }));
    needs_project(action(view, "Site", QKeySequence("Ctrl+6"),
                         [this] { workspace_.in_view().show_site(!workspace_.in_view().site_shown()); }));
    view->addSeparator();
    static constexpr const char* steps[] = {"Venue", "Demand", "Placement", "Spectrum", "Proof"};
    for (int i = 0; i < 5; ++i)
        needs_project(action(view, QString("Step %1").arg(steps[i]),
                             QKeySequence(QString("Ctrl+%1").arg(i + 1)),
                             [this, i] { workspace_.activity().set_step(static_cast<Step>(i)); }));
    view->addSeparator();
    make_map_actions(view);
    view->addSeparator();
    needs_project(action(view, "Tray", QKeySequence("Ctrl+T"), [this] {
        tray_open_ = !tray_open_;
        refresh_tray();
    }));

    QMenu* kinds = view->addMenu("Hide and lock");
    make_display_actions(kinds);
    needs_project(action(view, "Findings", QKeySequence("Ctrl+F"), [this] { show_findings(); }));
    needs_project(action(view, "What costs most", QKeySequence("Ctrl+Alt+M"), [this] { show_tray(costs_); }));
    needs_project(
        action(view, "Materials and wall types", QKeySequence("Ctrl+M"), [this] { show_types({}); }));
    QAction* dark = action(view, "Dark theme", QKeySequence("Ctrl+Shift+K"), [] {
        choose_theme(!is_dark());
        QSettings().setValue("dark", is_dark());
    });
    dark->setCheckable(true);
    connect(view, &QMenu::aboutToShow, dark, [dark] { dark->setChecked(is_dark()); });
    make_memory_actions(view->addMenu("Memory for results"));
    action(view, "Find anything…", QKeySequence("Ctrl+K"), [this] { open_palette(); });

    QMenu* plan = bar->addMenu("&Plan");
    make_variant_actions(plan->addMenu("Variants"));
    plan->addSeparator();
    make_tool_actions(plan);
    plan->addSeparator();
    needs_project(action(plan, "Choose a drawing…", QKeySequence("Ctrl+D"), [this] { choose_drawing(); }));
    needs_project(action(plan, "Add a floor on top", {}, [this] { add_floor_on_top(); }));
    needs_project(action(plan, "Insert a floor above this one", {}, [this] {
        FloorId made;
        workspace_.edit("Insert floor",
                        [&](Project& p) { made = insert_floor_above(p, workspace_.floor_id()); });
        workspace_.in_view().show_floor(made);
    }));
    needs_project(action(plan, "Duplicate this floor…", {}, [this] { duplicate(workspace_.floor_id()); }));

    QMenu* help = bar->addMenu("&Help");
    action(help, "Keys", QKeySequence::HelpContents,
           [this] { (new KeysPage(*header_->menus(), this))->open(); });
    action(help, "Open the demo library", {}, [this] { leave_then([this] { open_demo(); }); });
}

void MainWindow::make_map_actions(QMenu* view) {
    QMenu* through = view->addMenu("Lens");
    for (const LensInfo& info : lenses())
        project_actions_.push_back(action(through, "Lens " + QString::fromStdString(info.name), {},
                                          [this, &info] { workspace_.shown().look_through(info.id); }));
    QMenu* colouring = view->addMenu("Colouring");
    lens_bar_->set_colouring(colouring);
    for (const auto& made :
         {fill_map_menu(view->addMenu("Map"), workspace_), fill_colouring_menu(colouring, workspace_)})
        project_actions_.insert(project_actions_.end(), made.begin(), made.end());
}

/// What is kept of maps and drawings so that it need not be worked out again. 0 stands for what the machine
/// suggests.
void MainWindow::make_memory_actions(QMenu* menu) {
    static constexpr const char* setting = "memory_mb";
    static constexpr std::size_t mega = std::size_t{1} << 20;
    const auto choose = [this](int mb) {
        workspace_.memory()->set_limit(mb > 0 ? static_cast<std::size_t>(mb) * mega : usual_budget_bytes());
    };
    const auto size = [](std::size_t mb) {
        return mb < 1024 ? QString("%1 MB").arg(mb)
                         : render::figure(static_cast<double>(mb) / 1024, mb % 1024 ? 1 : 0) + " GB";
    };
    auto* group = new QActionGroup(menu);
    const int chosen = QSettings().value(setting, 0).toInt();
    for (const int mb : {0, 512, 1024, 2048, 4096, 8192, 16384}) {
        if (static_cast<std::size_t>(mb) * mega > machine_bytes() / 4 * 3) break;
        const QString most = size(mb == 0 ? usual_budget_bytes() / mega : static_cast<std::size_t>(mb));
        const QString text = mb == 0 ? "Keep results as suits this machine (%1)" : "Keep results up to %1";
        QAction* a = action(menu, text.arg(most), {}, [this, mb, most, choose] {
            QSettings().setValue(setting, mb);
            choose(mb);
            workspace_.tell("Maps and drawings are kept up to " + most +
                            ", what was used longest ago gives way. More is quicker on large sites");
        });
        a->setCheckable(true);
        a->setChecked(mb == chosen);
        group->addAction(a);
    }
    choose(chosen);
}

void MainWindow::show_floor_beside(int by) {
    const auto& floors = building_with(workspace_.project(), workspace_.floor_id()).floors;
    const auto here = std::ranges::find(floors, workspace_.floor_id(), &Floor::id);
    const auto to = here - floors.begin() + by;
    if (to < 0 || to >= std::ssize(floors))
        return workspace_.tell(by > 0 ? "This is the topmost floor" : "This is the lowest floor");
    workspace_.in_view().show_floor(floors[static_cast<std::size_t>(to)].id);
}

void MainWindow::make_tool_actions(QMenu* menu) {
    for (const ToolInfo& tool : all_tools()) {
        QAction* a = action(menu, tool.name, QKeySequence(tool.key), [this, id = tool.id] {
            if (!offers(workspace_.activity().step(), id))
                workspace_.activity().set_step(tool_info(id).steps.front());
            workspace_.activity().set_tool(id);
            plan_->setFocus();
        });
        a->setToolTip(tool.what);
        project_actions_.push_back(a);
    }
}

/// On, or off when it is shown already.
void MainWindow::show_change(render::Against against, VariantId other) {
    const render::MapChoice& map = workspace_.shown().map();
    if (lens(map.lens).is_choice())
        return workspace_.tell("A change is shown of amounts: choose Signal, SNR or another lens first",
                               true);
    if (!workspace_.activity().shows_map()) workspace_.activity().set_step(Step::placement);
    const bool off = map.against == against && map.other == other;
    workspace_.shown().hold_against(off ? render::Against::nothing : against, other);
    if (!off && !workspace_.shown().held_against())
        workspace_.tell("There is no edit yet: the map shows the change once there is one");
    else
        workspace_.tell(off ? QString("The map shows the values again")
                            : "The map shows the change " + workspace_.shown().other_name());
}

void MainWindow::make_variant_actions(QMenu* menu) {
    const auto named = [this](const char* title, const QString& proposed) {
        return asking_.name(title, proposed);
    };
    project_actions_.push_back(action(menu, "New variant from this one…", {}, [this, named] {
        const QString name =
            named("New variant", QString("Variant %1").arg(workspace_.project().variants.size() + 1));
        if (name.isEmpty()) return;
        workspace_.edit("New variant", [&](Project& p) { copy_variant(p, name.toStdString()); });
        workspace_.tell("Now in the variant " + name + "; the one before stays as it was");
    }));
    project_actions_.push_back(action(menu, "Rename variant…", {}, [this, named] {
        const Variant& now = current_variant(workspace_.project());
        const QString name = named("Rename variant", QString::fromStdString(now.name));
        if (name.isEmpty()) return;
        workspace_.edit("Rename variant",
                        [&, id = now.id](Project& p) { rename_variant(p, id, name.toStdString()); });
    }));
    project_actions_.push_back(action(menu, "Delete variant", {}, [this] {
        if (workspace_.project().variants.size() < 2)
            return workspace_.tell("This is the only variant: there has to be one", true);
        workspace_.edit("Delete variant", [](Project& p) { remove_variant(p, p.variant); });
    }));
    project_actions_.push_back(action(menu, "Next variant", QKeySequence("Ctrl+Alt+V"), [this] {
        const auto& all = workspace_.project().variants;
        const auto now = std::find_if(all.begin(), all.end(),
                                      [&](const Variant& v) { return v.id == workspace_.project().variant; });
        const Variant next = now + 1 == all.end() ? all.front() : *(now + 1);
        workspace_.edit("Switch variant", [&](Project& p) { choose_variant(p, next.id); });
        workspace_.tell("Variant " + QString::fromStdString(next.name));
    }));
    project_actions_.push_back(
        action(menu, "Show the change against the next variant", QKeySequence("Ctrl+Alt+B"), [this] {
            const Project& p = workspace_.project();
            if (p.variants.size() < 2)
                return workspace_.tell("There is no other variant: Plan, Variants, New variant makes one",
                                       true);
            const auto now =
                std::ranges::find_if(p.variants, [&](const Variant& v) { return v.id == p.variant; });
            const Variant& next = now + 1 == p.variants.end() ? p.variants.front() : *(now + 1);
            show_change(render::Against::variant, next.id);
        }));
    project_actions_.push_back(action(menu, "Show the change by the last edit", QKeySequence("Ctrl+Alt+E"),
                                      [this] { show_change(render::Against::last_edit); }));
    menu->addSeparator();
    QMenu* list = menu->addMenu("Switch to");
    connect(list, &QMenu::aboutToShow, this, [this, list] { fill_variants(list); });
}

void MainWindow::fill_variants(QMenu* list) {
    list->clear();
    if (!document_.is_open()) return;
    for (const Variant& v : workspace_.project().variants) {
        QAction* a = list->addAction(QString::fromStdString(v.name), this, [this, id = v.id] {
            workspace_.edit("Switch variant", [&](Project& p) { choose_variant(p, id); });
        });
        a->setCheckable(true);
        a->setChecked(v.id == workspace_.project().variant);
    }
}

void MainWindow::fill_recent() {
    recent_menu_->clear();
    for (const QString& file : QSettings().value("recent").toStringList())
        recent_menu_->addAction(file, this, [this, file] { leave_then([this, file] { open_file(file); }); });
    if (recent_menu_->isEmpty()) recent_menu_->addAction("Nothing yet")->setEnabled(false);
}

void MainWindow::make_display_actions(QMenu* menu) {
    for (const bool hides : {true, false}) {
        for (const KindFace& face : kind_faces()) {
            if (hides && !face.can_hide) continue;
            QAction* a =
                action(menu, QString(hides ? "Hide %1" : "Lock %1").arg(face.many), {},
                       [this, hides, kind = face.kind] {
                           workspace_.edit(hides ? "Hide or show" : "Lock or unlock", [&](Project& p) {
                               auto& list = hides ? p.display.hidden : p.display.locked;
                               if (std::erase(list, kind) == 0) list.push_back(kind);
                           });
                           workspace_.selection().select({});
                       });
            a->setCheckable(true);
            const auto show = [this, a, hides, kind = face.kind] {
                const Display& d = workspace_.project().display;
                const auto& list = hides ? d.hidden : d.locked;
                a->setChecked(std::find(list.begin(), list.end(), kind) != list.end());
            };
            connect(&workspace_, &Workspace::project_changed, a, show);
            connect(&document_, &Document::opened, a, show);
            project_actions_.push_back(a);
        }
        if (hides) menu->addSeparator();
    }
}

void MainWindow::open_palette() {
    if (is_preparing()) return;
    std::vector<Command> commands;
    const std::function<void(const QMenu*, const QString&)> take = [&](const QMenu* menu,
                                                                       const QString& where) {
        for (QAction* a : menu->actions()) {
            if (a->menu()) {
                take(a->menu(), where);
            } else if (!a->isSeparator() && !a->text().isEmpty()) {
                commands.push_back({a->text().remove('&').remove(QStringLiteral("…")), where,
                                    a->shortcut().toString(QKeySequence::NativeText), [a] { a->trigger(); },
                                    a->isEnabled()});
            }
        }
    };
    for (const QAction* top : header_->menus()->actions())
        if (top->menu()) take(top->menu(), top->text().remove('&'));
    if (document_.is_open()) add_places(commands);
    (new CommandPalette(std::move(commands), this))->show();
}

void MainWindow::add_places(std::vector<Command>& commands) {
    const Project& p = document_.project();
    const auto go = [this](FloorId at, const Item& item) {
        return [this, at, item] {
            workspace_.in_view().show_floor(at);
            workspace_.activity().set_tool(ToolId::select);
            workspace_.selection().select({item});
        };
    };
    for (const Floor* f : all_floors(p)) {
        const QString title = QString::fromStdString(floor_title(p, *f));
        commands.push_back(
            {title, "Floor", "", [this, id = f->id] { workspace_.in_view().show_floor(id); }, true});
        each_kind([&]<class Thing>() {
            if constexpr (requires(const Thing& t) { t.name; }) {
                QString kind = KindOf<Thing>::name;
                kind[0] = kind[0].toUpper();
                for (const Thing& t : KindOf<Thing>::list(*f))
                    if (!t.name.empty())
                        commands.push_back({QString::fromStdString(t.name), kind + ", " + title, "",
                                            go(f->id, {KindOf<Thing>::kind, t.id.value}), true});
            }
        });
        for (const AccessPoint& ap : access_points(p, f->id))
            commands.push_back({QString("Access point %1").arg(ap.number), title, "",
                                go(f->id, {ItemKind::access_point, ap.id.value}), true});
    }
    for (const WallType& t : *p.wall_types)
        commands.push_back({QString::fromStdString(t.name),
                            "Type, " + QString::fromUtf8(use_name(t.use).data()), "",
                            [this, id = t.id] { show_types(id); }, true});
}

}  // namespace yemvo::app
