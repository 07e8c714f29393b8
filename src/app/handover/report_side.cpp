// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/handover/report_side.h"

#include <QComboBox>
#include <QFileInfo>
#include <QFocusEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStandardPaths>

#include "app/asking/asking.h"
#include "app/asking/text_files.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/handover/map_chooser.h"
#include "app/model/document.h"
#include "app/model/workspace.h"
#include "base/error.h"
#include "handover/report_habit.h"
#include "project/edits.h"
#include "render/report/plan_sheet.h"
#include "render/report/print_image.h"
#include "render/report/sections.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

namespace report = render::report;

const report::SectionInfo& info(const std::string& key) {
    for (const report::SectionInfo& s : report::section_infos())
        if (s.key == key) return s;
    throw std::logic_error("a section that there is not");
}

QStringList names_of(const std::vector<std::string>& all) {
    QStringList names;
    for (const std::string& s : all) names << QString::fromStdString(s);
    return names;
}

int place_of(const std::vector<std::string>& all, const std::string& one) {
    const auto found = std::ranges::find(all, one);
    return found == all.end() ? 0 : static_cast<int>(found - all.begin());
}

QString habit_file() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/report.json";
}

/// Tells when somebody has left it.
class WordsField : public QPlainTextEdit {
public:
    explicit WordsField(std::function<void()> left) : left_(std::move(left)) {}

protected:
    void focusOutEvent(QFocusEvent* e) override {
        QPlainTextEdit::focusOutEvent(e);
        left_();
    }

private:
    std::function<void()> left_;
};

}  // namespace

ReportSide::ReportSide(Workspace& workspace, Asking& asking, QWidget* parent)
    : QWidget(parent), workspace_(workspace), asking_(asking) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 8, 12, 12);
    column->setSpacing(6);
    column->addWidget(group_head(tr("Sections")));
    column->addWidget(make_quick());
    column->addWidget(make_sections());
    column->addWidget(make_form());
    form_->layout()->setContentsMargins(0, 0, 0, 0);
    column->addWidget(group_head(tr("Maps of every floor")));
    column->addWidget(make_maps());
    column->addWidget(group_head(tr("Own words")));
    column->addWidget(make_words());
    column->addWidget(make_habit());
    column->addStretch(1);
}

void ReportSide::change(const QString& label, const std::function<void(ReportChoice&)>& how) {
    workspace_.edit(label, [&](Project& p) { how(p.handover.report); });
}

QWidget* ReportSide::make_quick() {
    auto* box = new QWidget;
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    const auto add = [&](const QString& words, const char* object, report::Reader reader) {
        auto* b = push_button(words, object);
        connect(b, &QPushButton::clicked, this, [this, reader] {
            change(tr("Choose sections"), [&](ReportChoice& c) { report::choose_for(c, reader); });
        });
        row->addWidget(b, 1);
    };
    add(tr("For the customer"), "forCustomer", report::Reader::customer);
    add(tr("For the installer"), "forInstaller", report::Reader::installer);
    return box;
}

QWidget* ReportSide::make_sections() {
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    sections_ = new QListWidget;
    sections_->setObjectName("reportSections");
    sections_->setAccessibleName(tr("Sections of the report"));
    sections_->setFrameShape(QFrame::NoFrame);
    sections_->setDragDropMode(QAbstractItemView::InternalMove);
    sections_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    sections_->setToolTip(tr("Tick what the report holds; drag to put it in order"));
    connect(sections_, &QListWidget::itemChanged, this, [this] { take_sections(); });
    connect(sections_->model(), &QAbstractItemModel::rowsMoved, this, [this] { take_sections(); });
    column->addWidget(sections_);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    auto* up = push_button(tr("Up"), "sectionUp", tr("The chosen section earlier"));
    auto* down = push_button(tr("Down"), "sectionDown", tr("The chosen section later"));
    connect(up, &QPushButton::clicked, this, [this] { move_section(-1); });
    connect(down, &QPushButton::clicked, this, [this] { move_section(1); });
    row->addWidget(up, 1);
    row->addWidget(down, 1);
    column->addLayout(row);
    return box;
}

void ReportSide::take_sections() {
    if (filling_) return;
    std::vector<ReportSection> all;
    for (int i = 0; i < sections_->count(); ++i)
        all.push_back({sections_->item(i)->data(Qt::UserRole).toString().toStdString(),
                       sections_->item(i)->checkState() == Qt::Checked});
    change(tr("Choose sections"), [&](ReportChoice& c) { c.sections = all; });
}

void ReportSide::move_section(int by) {
    const int from = sections_->currentRow(), to = from + by;
    if (from < 0 || to < 0 || to >= sections_->count()) return;
    change(tr("Put sections in order"), [&](ReportChoice& c) {
        c.sections = report::sections_of(c);
        std::swap(c.sections[static_cast<std::size_t>(from)], c.sections[static_cast<std::size_t>(to)]);
    });
    sections_->setCurrentRow(to);
}

Form* ReportSide::make_form() {
    form_ = new Form(workspace_);
    const auto choice = [this]() -> const ReportChoice& { return workspace_.project().handover.report; };
    form_->group(tr("Names"));
    const auto name = [&](const QString& label, const char* object, std::string ReportChoice::*field) {
        UnitField* f = form_->words_field(
            form_->row(label), object, [choice, field] { return QString::fromStdString(choice().*field); },
            [this, field](const QString& text) {
                change(tr("Change report"),
                       [&](ReportChoice& c) { c.*field = text.trimmed().toStdString(); });
            });
        return f;
    };
    name(tr("Title"), "reportTitle", &ReportChoice::title)->setPlaceholderText(tr("name of the project"));
    name(tr("Customer"), "reportCustomer", &ReportChoice::customer);
    name(tr("Planned by"), "reportAuthor", &ReportChoice::author);
    name(tr("Revision"), "reportRevision", &ReportChoice::revision);
    auto* logo = form_->row(tr("Logo"));
    auto* which = push_button(QString(), "reportLogo", tr("A picture that stands on the cover"));
    connect(which, &QPushButton::clicked, this, &ReportSide::choose_logo);
    logo->addWidget(which, 1);
    auto* none = push_button(tr("None"), "reportNoLogo");
    connect(none, &QPushButton::clicked, this,
            [this] { change(tr("Take logo away"), [](ReportChoice& c) { c.logo.clear(); }); });
    logo->addWidget(none);
    form_->on_refresh([which, none, choice] {
        which->setText(choice().logo.empty() ? tr("Choose…") : QString::fromStdString(choice().logo));
        none->setEnabled(!choice().logo.empty());
    });
    form_->group(tr("Paper"));
    const auto papers = report::text_papers(), sheets = report::sheet_papers();
    form_->choice(
        form_->row(tr("Pages")), "reportPaper", names_of(papers),
        [=] { return place_of(papers, choice().paper); },
        [this, papers](int i) {
            change(tr("Change paper"),
                   [&](ReportChoice& c) { c.paper = papers[static_cast<std::size_t>(i)]; });
        });
    form_->choice(
        form_->row(tr("Plans")), "reportSheet", names_of(sheets),
        [=] { return place_of(sheets, choice().sheet); },
        [this, sheets](int i) {
            change(tr("Change paper"),
                   [&](ReportChoice& c) { c.sheet = sheets[static_cast<std::size_t>(i)]; });
        });
    QStringList scales{tr("as fits")};
    for (int n : report::usual_scales()) scales << QString("1 : %1").arg(n);
    form_->choice(
        form_->row(tr("Scale")), "reportScale", scales,
        [choice] {
            const auto all = report::usual_scales();
            const auto found = std::ranges::find(all, choice().scale);
            return found == all.end() ? 0 : static_cast<int>(found - all.begin()) + 1;
        },
        [this](int i) {
            change(tr("Change scale of plans"), [&](ReportChoice& c) {
                c.scale = i == 0 ? 0 : report::usual_scales()[static_cast<std::size_t>(i - 1)];
            });
        });
    return form_;
}

QWidget* ReportSide::make_maps() {
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    maps_ = new QListWidget;
    maps_->setObjectName("reportMaps");
    maps_->setAccessibleName(tr("Maps of the report"));
    maps_->setFrameShape(QFrame::NoFrame);
    maps_->setFixedHeight(92);
    column->addWidget(maps_);
    auto* chooser = new MapChooser;
    connect(chooser, &MapChooser::chosen, this, [this](const ReportMap& map) {
        change(tr("Add map to report"), [&](ReportChoice& c) {
            if (c.maps.empty()) c.maps = as_chosen(report::report_maps(workspace_.project()));
            if (std::ranges::find(c.maps, map) == c.maps.end()) c.maps.push_back(map);
        });
    });
    connect(chooser, &MapChooser::removed, this, &ReportSide::remove_map);
    column->addWidget(chooser);
    return box;
}

void ReportSide::remove_map() {
    const int row = maps_->currentRow();
    if (row < 0) return workspace_.tell(tr("Choose the map that is to be left out"));
    change(tr("Leave map out of report"), [&](ReportChoice& c) {
        c.maps = as_chosen(report::report_maps(workspace_.project()));
        if (row < static_cast<int>(c.maps.size())) c.maps.erase(c.maps.begin() + row);
    });
}

QWidget* ReportSide::make_words() {
    words_ = new WordsField([this] {
        const std::string now = words_->toPlainText().toStdString();
        if (workspace_.document().is_open() && now != workspace_.project().handover.report.words)
            change(tr("Change own words"), [&](ReportChoice& c) { c.words = now; });
    });
    words_->setObjectName("reportWords");
    words_->setAccessibleName(tr("Own words"));
    words_->setFixedHeight(96);
    words_->setTabChangesFocus(true);
    QStringList holders;
    for (const report::Placeholder& p : report::report_placeholders())
        holders << QString("%1: %2").arg(QString(p.key), tr(p.what));
    words_->setPlaceholderText(
        tr("What this plan is about. May hold {customer}, {date}, {verdict} and the like"));
    words_->setToolTip(holders.join("\n"));
    return words_;
}

QWidget* ReportSide::make_habit() {
    auto* box = new QWidget;
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 6, 0, 0);
    row->setSpacing(6);
    auto* keep = push_button(tr("Keep for others"), "keepReport",
                             tr("So that other projects can begin with these choices"));
    auto* take =
        push_button(tr("As kept"), "takeReport", tr("Sections, maps, paper and words as you kept them"));
    connect(keep, &QPushButton::clicked, this, &ReportSide::keep_habit);
    connect(take, &QPushButton::clicked, this, &ReportSide::take_habit);
    row->addWidget(keep, 1);
    row->addWidget(take, 1);
    return box;
}

void ReportSide::keep_habit() {
    QDir().mkpath(QFileInfo(habit_file()).absolutePath());
    if (write_text_file(habit_file(), habit_to_text(workspace_.project().handover.report)))
        workspace_.tell(tr("Kept: other projects can take it over"));
    else
        workspace_.tell(tr("%1 cannot be written").arg(habit_file()), true);
}

void ReportSide::take_habit() {
    if (!QFileInfo::exists(habit_file()))
        return workspace_.tell(tr("Nothing is kept yet: press Keep for others in a project first"));
    try {
        ReportChoice taken = workspace_.project().handover.report;
        yemvo::take_habit(taken, text_in_file(habit_file()), habit_file().toStdString());
        change(tr("Take report as kept"), [&](ReportChoice& c) { c = taken; });
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void ReportSide::choose_logo() {
    const QString file = asking_.open_file(tr("Logo"), tr("Pictures (*.png *.jpg *.jpeg *.webp *.svg)"));
    if (file.isEmpty()) return;
    try {
        const std::string bytes = text_in_file(file);
        const auto* begin = reinterpret_cast<const std::byte*>(bytes.data());
        Project trial = workspace_.project();
        const std::string name =
            add_asset(trial, QFileInfo(file).fileName().toStdString(), Bytes(begin, begin + bytes.size()));
        if (report::print_image(trial, name).isNull())
            throw Error(say("is no picture that can be read"), QFileInfo(file).fileName().toStdString(),
                        say("Choose another"));
        workspace_.edit(tr("Choose logo"), [&](Project& p) {
            p.handover.report.logo =
                add_asset(p, QFileInfo(file).fileName().toStdString(), Bytes(begin, begin + bytes.size()));
        });
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void ReportSide::refresh() {
    if (!workspace_.document().is_open()) return;
    const ReportChoice& choice = workspace_.project().handover.report;
    filling_ = true;
    const int at = sections_->currentRow();
    sections_->clear();
    for (const ReportSection& s : report::sections_of(choice)) {
        auto* item = new QListWidgetItem(tr(info(s.key).title), sections_);
        item->setData(Qt::UserRole, QString::fromStdString(s.key));
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable |
                       Qt::ItemIsDragEnabled);
        item->setCheckState(s.on ? Qt::Checked : Qt::Unchecked);
        item->setToolTip(tr_first(info(s.key).what));
    }
    sections_->setCurrentRow(at);
    sections_->setFixedHeight(sections_->sizeHintForRow(0) * sections_->count() + 4);
    const int map_at = maps_->currentRow();
    maps_->clear();
    for (const render::MapChoice& m : report::report_maps(workspace_.project()))
        maps_->addItem(render::map_name(m));
    maps_->setCurrentRow(map_at);
    if (!words_->hasFocus()) words_->setPlainText(QString::fromStdString(choice.words));
    form_->refresh();
    filling_ = false;
}

}  // namespace yemvo::app
