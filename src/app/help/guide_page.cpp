// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/help/guide_page.h"

#include <QFile>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QScrollBar>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTextTable>
#include <QVBoxLayout>

#include "app/look/theme.h"
#include "render/tr.h"

namespace yemvo::app {

GuidePage::GuidePage(QWidget* parent)
    : QWidget(parent),
      chapters_(new QListWidget),
      text_(new QTextBrowser),
      word_(new QLineEdit),
      told_(new QLabel) {
    setObjectName("guide");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 14, 14, 14);
    row->setSpacing(14);
    auto* left = new QVBoxLayout;
    auto* title = new QLabel(tr("User guide"));
    title->setObjectName("title");
    left->addWidget(title);
    word_->setPlaceholderText(tr("Find in the guide"));
    word_->setAccessibleName(tr("Find in the guide"));
    word_->setObjectName("guideWord");
    left->addWidget(word_);
    told_->setObjectName("guideTold");
    left->addWidget(told_);
    chapters_->setAccessibleName(tr("Chapters"));
    chapters_->setFrameShape(QFrame::NoFrame);
    dress(chapters_,
          "QListWidget { background: @paper; border: 0; outline: 0; }"
          "QListWidget::item { height: 24px; padding-left: 8px; border: 0; }"
          "QListWidget::item:selected { background: @accentTint; color: @ink; }");
    left->addWidget(chapters_, 1);
    auto* back = new QPushButton(tr("Back"));
    left->addWidget(back);
    row->addLayout(left);
    for (QWidget* w : {static_cast<QWidget*>(word_), static_cast<QWidget*>(chapters_)}) w->setFixedWidth(230);
    text_->setFrameShape(QFrame::NoFrame);
    text_->setOpenLinks(false);  // what the guide points to stands beside it on disk, not in the window
    text_->setAccessibleName(tr("Text of the guide"));
    dress(text_, "QTextBrowser { background: @paper; color: @ink; }");
    text_->setMaximumWidth(860);  // a line that the eye finds back from
    row->addWidget(text_, 1);
    row->addStretch(0);
    connect(back, &QPushButton::clicked, this, &GuidePage::left);
    connect(chapters_, &QListWidget::currentRowChanged, this, &GuidePage::show_chapter);
    connect(word_, &QLineEdit::returnPressed, this, &GuidePage::find);
}

void GuidePage::showEvent(QShowEvent*) {
    if (chapters_->count() == 0) read();
    word_->setFocus();
}

/// Room to breathe between what Markdown sets close.
static void space_out(QTextDocument& document) {
    for (QTextBlock b = document.begin(); b.isValid(); b = b.next()) {
        QTextBlockFormat f = b.blockFormat();
        const bool in_table = QTextCursor(b).currentTable() != nullptr;
        f.setTopMargin(f.headingLevel() == 0 ? 0 : f.headingLevel() == 1 ? 4 : 22);
        f.setBottomMargin(in_table ? 0 : 6);
        f.setLineHeight(118, QTextBlockFormat::ProportionalHeight);
        QTextCursor(b).setBlockFormat(f);
        if (QTextTable* table = QTextCursor(b).currentTable()) {
            QTextTableFormat t = table->format();
            t.setBorder(1);
            t.setBorderBrush(theme().line);
            t.setBorderCollapse(true);
            t.setCellPadding(5);
            t.setCellSpacing(0);
            if (!(t == table->format())) table->setFormat(t);
        }
    }
}

void GuidePage::read() {
    QFile file(":/guide.md");
    if (!file.open(QIODevice::ReadOnly)) throw std::logic_error("the guide is not in the program");
    text_->document()->setDocumentMargin(8);
    text_->setMarkdown(QString::fromUtf8(file.readAll()));
    space_out(*text_->document());
    for (QTextBlock b = text_->document()->begin(); b.isValid(); b = b.next())
        if (b.blockFormat().headingLevel() == 2) {
            auto* item = new QListWidgetItem(b.text(), chapters_);
            item->setData(Qt::UserRole, b.position());
        }
}

void GuidePage::show_chapter(int row) {
    if (row < 0) return;
    QTextCursor at(text_->document());
    at.setPosition(chapters_->item(row)->data(Qt::UserRole).toInt());
    text_->setTextCursor(at);
    text_->verticalScrollBar()->setValue(text_->verticalScrollBar()->value() + text_->cursorRect(at).top() -
                                         8);
}

/// The next place, and after the last the first again.
void GuidePage::find() {
    told_->clear();
    if (word_->text().isEmpty() || text_->find(word_->text())) return;
    const QTextCursor before = text_->textCursor();
    text_->moveCursor(QTextCursor::Start);
    if (text_->find(word_->text())) return;
    text_->setTextCursor(before);
    told_->setText(tr("The guide does not say so anywhere"));
}

void GuidePage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void GuidePage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
