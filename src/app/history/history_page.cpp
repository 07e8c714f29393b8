// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/history/history_page.h"

#include <QKeyEvent>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/workspace.h"
#include "render/tr.h"

namespace yemvo::app {

HistoryPage::HistoryPage(Workspace& workspace, QWidget* parent) : QListWidget(parent), workspace_(workspace) {
    setObjectName("history");
    setAccessibleName(tr("History of edits"));
    setFrameShape(QFrame::NoFrame);
    setUniformItemSizes(true);
    setSpacing(0);
    dress(this,
          "QListWidget#history { background: @paper; border: 0; padding: 5px 0; font-size: 12.5px; outline: "
          "0; }"
          "QListWidget#history::item { height: 23px; padding-left: 14px; border: 0; }"
          "QListWidget#history::item:selected { background: @accentTint; color: @ink; }");
    listen(this, &HistoryPage::refresh, workspace.document().history(), &QUndoStack::indexChanged,
           workspace.document(), &Document::opened);
    connect(this, &QListWidget::itemClicked, this, [this](QListWidgetItem* item) { go(row(item)); });
    refresh();
}

/// Out of sight nothing is listed: a drag elsewhere does not pay for it.
void HistoryPage::refresh() {
    if (!isVisible()) return;
    const QUndoStack& history = workspace_.document().history();
    clear();
    if (!workspace_.document().is_open()) return;
    for (int i = 0; i <= history.count(); ++i) {
        auto* item = new QListWidgetItem(i == 0 ? tr("Project opened") : history.text(i - 1), this);
        if (i > history.index()) item->setForeground(theme().muted);  // undone, can be redone
    }
    setCurrentRow(history.index());
    scrollToItem(currentItem());
}

void HistoryPage::go(int row) {
    if (row >= 0) workspace_.document().go_to(row);
}

void HistoryPage::showEvent(QShowEvent* e) {
    QListWidget::showEvent(e);
    refresh();
}

void HistoryPage::changeEvent(QEvent* e) {
    QListWidget::changeEvent(e);
    if (e->type() == QEvent::PaletteChange) refresh();
}

void HistoryPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Return || e->key() == Qt::Key_Enter) return go(currentRow());
    QListWidget::keyPressEvent(e);
}

}  // namespace yemvo::app
