/** Items of which the least is taken next. */
export function heap<Item>(isLess: (a: Item, b: Item) => boolean) {
  const items: Item[] = []
  return {
    push(item: Item) {
      let at = items.length
      items.push(item)
      while (at > 0) {
        const parent = (at - 1) >> 1
        if (!isLess(item, items[parent] as Item)) break
        items[at] = items[parent] as Item
        at = parent
      }
      items[at] = item
    },
    pop(): Item | undefined {
      const [top] = items
      const item = items.pop()
      if (item === undefined || items.length === 0) return top
      let at = 0
      for (;;) {
        let child = 2 * at + 1
        if (child >= items.length) break
        if (child + 1 < items.length && isLess(items[child + 1] as Item, items[child] as Item)) child++
        if (!isLess(items[child] as Item, item)) break
        items[at] = items[child] as Item
        at = child
      }
      items[at] = item
      return top
    },
  }
}
