// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/files/versions_page.h"

#include <QDateTime>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QLocale>
#include <QPainter>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

#include "app/look/columns.h"
#include "app/look/theme.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString when(std::chrono::system_clock::time_point t) {
    const auto seconds = std::chrono::duration_cast<std::chrono::seconds>(t.time_since_epoch()).count();
    const QDateTime at = QDateTime::fromSecsSinceEpoch(seconds);
    return QLocale().toString(
        at, at.date().year() == QDate::currentDate().year() ? "d MMMM, HH:mm:ss" : "d MMMM yyyy, HH:mm");
}

}  // namespace

VersionsPage::VersionsPage(QWidget* parent) : QWidget(parent) {
    setObjectName("versionsPage");
    auto* page = new QVBoxLayout(this);
    page->setContentsMargins(28, 20, 28, 20);
    page->setSpacing(8);
    title_ = new QLabel;
    title_->setObjectName("title");
    page->addWidget(title_);
    auto* words = new QLabel(tr(
        "Each save keeps what it replaced. A version is opened as a copy without a file, or restored: then "
        "it is "
        "the project's unsaved next state, and the file changes only when you save."));
    words->setObjectName("muted");
    words->setWordWrap(true);
    page->addWidget(words);
    nothing_ = new QLabel(
        tr("Nothing is kept yet: the first version is kept when a file is saved for the second time."));
    nothing_->setObjectName("muted");
    page->addWidget(nothing_);
    table_ = new QTableWidget(0, 4);
    table_->setObjectName("versionsTable");
    table_->setHorizontalHeaderLabels({tr("Saved"), tr("Project file"), tr("Size"), tr("Kept as")});
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    set_column_width(*table_, 0, 210);
    set_column_width(*table_, 1, 420);
    set_column_width(*table_, 2, 90);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(25);
    table_->setShowGrid(false);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setTabKeyNavigation(false);
    dress(table_,
          "QTableView { outline: 0; } QTableView::item { padding: 0 4px; border: 0; }"
          "QTableView::item:selected { background: @accentTint; color: @ink; }"
          "QHeaderView::section { padding-left: 6px; }");
    connect(table_, &QTableWidget::itemSelectionChanged, this, &VersionsPage::refresh_buttons);
    page->addWidget(table_, 1);
    auto* buttons = new QHBoxLayout;
    restore_ = new QPushButton(tr("Restore"));
    restore_->setObjectName("main");
    open_ = new QPushButton(tr("Open as a copy"));
    open_->setObjectName("openVersion");
    auto* back = new QPushButton(tr("Back"));
    back->setObjectName("leaveVersions");
    for (QPushButton* b : {restore_, open_}) buttons->addWidget(b);
    buttons->addStretch(1);
    buttons->addWidget(back);
    page->addLayout(buttons);
    connect(back, &QPushButton::clicked, this, &VersionsPage::left);
    connect(open_, &QPushButton::clicked, this, [this] {
        const auto row = static_cast<std::size_t>(table_->currentRow());
        if (row < versions_.size()) emit open_asked(versions_[row]);
    });
    connect(restore_, &QPushButton::clicked, this, [this] {
        const auto row = static_cast<std::size_t>(table_->currentRow());
        if (row < versions_.size()) return emit restore_asked(versions_[row]);
        if (row - versions_.size() < discarded_.size())
            emit take_back_asked(discarded_[row - versions_.size()]);
    });
    refresh_buttons();
}

void VersionsPage::list(const QString& file, const std::vector<KeptVersion>& versions,
                        const std::vector<Leftover>& discarded) {
    versions_ = versions;
    discarded_ = discarded;
    title_->setText(file.isEmpty() ? tr("Earlier versions of all projects")
                                   : tr("Earlier versions of %1").arg(QFileInfo(file).fileName()));
    table_->setRowCount(static_cast<int>(versions.size() + discarded.size()));
    const auto put = [&](int row, const QStringList& cells) {
        for (int c = 0; c < cells.size(); ++c) table_->setItem(row, c, new QTableWidgetItem(cells[c]));
    };
    int row = 0;
    for (const KeptVersion& v : versions_)
        put(row++, {when(v.saved), QString::fromStdString(v.file),
                    QLocale().formattedDataSize(static_cast<qint64>(v.bytes)), tr("earlier version")});
    for (const Leftover& l : discarded_)
        put(row++, {when(l.written),
                    l.file.empty() ? tr("%1, never saved").arg(QString::fromStdString(l.project))
                                   : QString::fromStdString(l.file),
                    {},
                    tr("unsaved work, discarded")});
    nothing_->setVisible(row == 0);
    if (row > 0) table_->selectRow(0);
    table_->setFocus();
    refresh_buttons();
}

void VersionsPage::refresh_buttons() {
    const auto row = static_cast<std::size_t>(table_->currentRow());
    const bool any = table_->currentRow() >= 0 && row < versions_.size() + discarded_.size();
    restore_->setEnabled(any);
    open_->setEnabled(any && row < versions_.size());
}

void VersionsPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void VersionsPage::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().paper);
}

}  // namespace yemvo::app
