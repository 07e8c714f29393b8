// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/palette/command_palette.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// Name, where it belongs, and its key at the right.
class CommandDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 26}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& colours = theme();
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(option.rect, chosen ? colours.accent_tint : colours.field);
        const QRect r = option.rect.adjusted(12, 0, -12, 0);
        const bool enabled = index.data(Qt::UserRole + 2).toBool();
        const QFont name = render::font(13, 500), small = render::font(12);
        p->setFont(name);
        p->setPen(!enabled ? colours.muted : chosen ? colours.accent : colours.ink);
        const QString text = index.data(Qt::DisplayRole).toString();
        p->drawText(r, Qt::AlignVCenter | Qt::AlignLeft, text);
        const int used = QFontMetrics(name).horizontalAdvance(text);
        p->setFont(small);
        p->setPen(colours.muted);
        p->drawText(r.adjusted(used + 10, 0, -110, 0), Qt::AlignVCenter | Qt::AlignLeft,
                    index.data(Qt::UserRole).toString());
        p->drawText(r, Qt::AlignVCenter | Qt::AlignRight, index.data(Qt::UserRole + 1).toString());
    }
};

}  // namespace

CommandPalette::CommandPalette(std::vector<Choice> commands, QWidget* window)
    : QDialog(window, Qt::Popup),
      commands_(std::move(commands)),
      text_(new QLineEdit(this)),
      list_(new QListWidget(this)) {
    setObjectName("commandPalette");
    setAttribute(Qt::WA_DeleteOnClose);
    resize(560, 400);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(1, 1, 1, 1);
    column->setSpacing(0);
    text_->setObjectName("commandText");
    text_->setPlaceholderText(tr("An action, a floor, a zone, an access point, a wall type"));
    text_->setMinimumHeight(34);
    text_->installEventFilter(this);
    list_->setObjectName("commandList");
    list_->setItemDelegate(new CommandDelegate(list_));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setFocusPolicy(Qt::NoFocus);
    column->addWidget(text_);
    column->addWidget(list_, 1);
    connect(text_, &QLineEdit::textChanged, this, &CommandPalette::filter);
    connect(list_, &QListWidget::itemClicked, this, &CommandPalette::run_current);
    const QPoint corner = window->mapToGlobal(QPoint((window->width() - width()) / 2, 60));
    move(corner);
    filter();
    text_->setFocus();
}

std::vector<std::size_t> CommandPalette::matching(const std::vector<Choice>& commands, const QString& text) {
    const QStringList parts = text.simplified().toLower().split(' ', Qt::SkipEmptyParts);
    std::vector<std::pair<int, std::size_t>> found;
    for (std::size_t i = 0; i < commands.size(); ++i) {
        const QString name = commands[i].name.toLower(), all = name + " " + commands[i].where.toLower();
        if (!std::all_of(parts.begin(), parts.end(), [&](const QString& part) { return all.contains(part); }))
            continue;
        const QString whole = parts.join(' ');
        const int rank = name.startsWith(whole) ? 0 : name.contains(whole) ? 1 : 2;
        found.emplace_back(rank + (commands[i].enabled ? 0 : 3), i);
    }
    std::stable_sort(found.begin(), found.end(),
                     [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<std::size_t> order;
    for (const auto& [rank, i] : found) order.push_back(i);
    return order;
}

void CommandPalette::filter() {
    shown_ = matching(commands_, text_->text());
    constexpr std::size_t most = 200;
    if (shown_.size() > most) shown_.resize(most);
    list_->clear();
    for (std::size_t i : shown_) {
        auto* item = new QListWidgetItem(commands_[i].name, list_);
        item->setData(Qt::UserRole, commands_[i].where);
        item->setData(Qt::UserRole + 1, commands_[i].key);
        item->setData(Qt::UserRole + 2, commands_[i].enabled);
    }
    if (shown_.empty()) {
        auto* item = new QListWidgetItem(tr("Nothing is called so"), list_);
        item->setFlags(Qt::NoItemFlags);
    } else {
        list_->setCurrentRow(0);
    }
}

bool CommandPalette::eventFilter(QObject* of, QEvent* e) {
    if (e->type() != QEvent::KeyPress) return QDialog::eventFilter(of, e);
    const int key = static_cast<QKeyEvent*>(e)->key();
    const int rows = static_cast<int>(shown_.size());
    if (rows > 0 && (key == Qt::Key_Down || key == Qt::Key_Up)) {
        list_->setCurrentRow((list_->currentRow() + (key == Qt::Key_Down ? 1 : rows - 1)) % rows);
        return true;
    }
    if (key == Qt::Key_Return || key == Qt::Key_Enter) {
        run_current();
        return true;
    }
    return QDialog::eventFilter(of, e);
}

void CommandPalette::run_current() {
    const int row = list_->currentRow();
    if (row < 0 || row >= static_cast<int>(shown_.size())) return;
    const Choice command = commands_[shown_[static_cast<std::size_t>(row)]];
    if (!command.enabled) return;
    close();
    // once this has gone: what runs may open something of its own
    QTimer::singleShot(0, parentWidget(), command.run);
}

}  // namespace yemvo::app
